package mezcla.mixing;

import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;

/**
 * How many more batches a kit allows (rules, 3.4).
 *
 * @param batches how many whole batches of the volume asked about
 * @param limitingPart the part that runs out first; the alphabetically first where several do together
 * @param leftOver what those batches leave of each part, in its unit
 * @param largestMl the largest volume that the kit still makes, in ml
 */
public record KitSplit(int batches, String limitingPart, SortedMap<String, Double> leftOver, double largestMl) {
    /**
     * Splits what is left of a kit.
     *
     * @param recipes the recipe of each bath that is mixed, each printed for its own volume
     * @param left what is left of each part, by key; a part not named has run out
     * @param volumeMl the volume to which every bath is mixed, in ml
     * @throws Refusal {@code recipe-without-parts} when the recipes take no part at all
     */
    public static KitSplit of(Map<String, Recipe> recipes, Map<String, Double> left, double volumeMl) {
        SortedMap<String, Double> needs = needs(recipes, volumeMl);
        if (needs.isEmpty()) {
            throw Refusal.of(new MixingObjection.RecipeWithoutParts());
        }
        String limiting = needs.firstKey();
        double least = Double.POSITIVE_INFINITY;
        double batches = Double.POSITIVE_INFINITY;
        for (Map.Entry<String, Double> need : needs.entrySet()) {
            double ratio = left.getOrDefault(need.getKey(), 0.0) / need.getValue();
            batches = Math.min(batches, Slack.floor(ratio));
            if (Slack.exceeds(least, ratio)) {
                least = ratio;
                limiting = need.getKey();
            }
        }
        SortedMap<String, Double> leftOver = new TreeMap<>(left);
        for (Map.Entry<String, Double> need : needs.entrySet()) {
            double rest = left.getOrDefault(need.getKey(), 0.0) - batches * need.getValue();
            leftOver.put(need.getKey(), Math.max(0, rest));
        }
        return new KitSplit((int) batches, limiting, leftOver, least * volumeMl);
    }

    /**
     * What a batch takes of each part, in its unit.
     *
     * @param recipes the recipe of each bath that is mixed
     * @param volumeMl the volume to which every bath is mixed, in ml
     */
    public static SortedMap<String, Double> needs(Map<String, Recipe> recipes, double volumeMl) {
        SortedMap<String, Double> needs = new TreeMap<>();
        for (Recipe recipe : recipes.values()) {
            double scale = volumeMl / recipe.finalMl();
            for (Addition addition : recipe.additions()) {
                if (addition.amount() > 0) {
                    needs.merge(addition.part(), addition.amount() * scale, Double::sum);
                }
            }
        }
        return needs;
    }
}

package mezcla.mixing;

import java.util.List;
import java.util.stream.IntStream;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.measure.Slack;

/**
 * What a mix is worth against the sheet (rules, 3.7): 1 as printed, 0.5 when the parts for half of it were filled up to
 * all of it.
 *
 * @param parts the strength of each part, in the order of the recipe
 * @param becameMl the volume that the bath became, in ml
 * @param weak whether a part is weaker than its care allows
 * @param strong whether a part is stronger than its care allows
 */
public record Strength(List<Double> parts, double becameMl, boolean weak, boolean strong) {
    private static final double LEAST_CHEMISTRY_ML = 1;

    /** Keeps its own list. */
    public Strength {
        parts = List.copyOf(parts);
    }

    /**
     * The strength of a mix.
     *
     * @param recipe what the sheet says
     * @param poured what was poured of each part, in the order of the recipe and the unit of the part
     * @param becameMl the volume that the bath became, in ml; above 0
     */
    public static Strength of(Recipe recipe, List<Double> poured, double becameMl) {
        double perMl = recipe.makesMl() / becameMl;
        List<Addition> additions = recipe.additions();
        List<Double> parts = IntStream.range(0, additions.size())
                .mapToObj(i -> poured.get(i) / additions.get(i).amount() * perMl)
                .toList();
        boolean weak = false;
        boolean strong = false;
        for (int i = 0; i < additions.size(); i++) {
            double tolerance = additions.get(i).care().tolerance();
            weak |= Slack.exceeds(1 - parts.get(i), tolerance);
            strong |= Slack.exceeds(parts.get(i) - 1, tolerance);
        }
        return new Strength(parts, becameMl, weak, strong);
    }

    /** The weakest of its parts, which the whole mix goes by; 1 where nothing is poured. */
    public double weakest() {
        return parts.stream().mapToDouble(Double::doubleValue).min().orElse(1);
    }

    /** The strongest of its parts; 1 where nothing is poured. */
    public double strongest() {
        return parts.stream().mapToDouble(Double::doubleValue).max().orElse(1);
    }

    /** The volume of printed strength that its parts would make, in ml; 1 ml at least, so that it can be counted by. */
    public double chemistryMl() {
        return Math.max(Math.min(becameMl, LEAST_CHEMISTRY_ML), weakest() * becameMl);
    }

    /** The water that mends a mix which is only too strong, while it is still in the jug, in ml; 0 for none. */
    public double waterToAddMl() {
        return strong && !weak ? Math.max(0, chemistryMl() - becameMl) : 0;
    }
}

package mezcla.batch;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.mixing.KitSplit;
import org.jspecify.annotations.Nullable;

/**
 * How long the kits of a leaflet last at the recent rate of use.
 *
 * @param leaflet the leaflet, in the version of the latest kit
 * @param leftMl how much of every bath all its kits together still make, parts that were bought alone among them, in ml
 * @param usedMl how much was mixed lately by the part that was used most, in ml
 * @param weeks how many weeks that "lately" was
 */
public record Supply(Leaflet leaflet, double leftMl, double usedMl, int weeks) {
    private static final int LATELY_WEEKS = 8;

    /** How many weeks what is left lasts at that rate; null where nothing was used lately. */
    public @Nullable Double lastsWeeks() {
        return usedMl <= 0 ? null : leftMl / (usedMl / weeks);
    }

    /** Whether what is left runs out before an order of today arrives. */
    public boolean orderNow(int deliveryWeeks) {
        Double lasts = lastsWeeks();
        return lasts != null && lasts <= deliveryWeeks;
    }

    /**
     * Every leaflet of which a kit ever came, in the order of their names.
     *
     * @param book the whole log
     * @param now the present
     */
    public static List<Supply> of(LogBook book, Instant now) {
        LogState state = book.state();
        Instant lately = now.minus(Duration.ofDays(7L * LATELY_WEEKS));
        Map<String, Map<String, Double>> used = new HashMap<>();
        book.newestFirst().stream()
                .takeWhile(entry -> entry.stamp().happenedAt().isAfter(lately))
                .filter(entry -> book.voiding(entry.stamp().sequence()).isEmpty())
                .flatMap(entry -> entry.usesByFill().values().stream().flatMap(List::stream))
                .filter(use -> state.kits().containsKey(use.kitId()))
                .forEach(use -> used.computeIfAbsent(
                                state.kit(use.kitId()).arrival().leaflet().key(), key -> new HashMap<>())
                        .merge(use.part(), use.amount(), Double::sum));
        Map<String, List<KitState>> kits = new TreeMap<>();
        state.kits().values().forEach(kit -> kits.computeIfAbsent(
                        kit.arrival().leaflet().key(), key -> new ArrayList<>())
                .add(kit));
        return kits.entrySet().stream()
                .map(entry -> of(entry.getValue(), used.getOrDefault(entry.getKey(), Map.of())))
                .toList();
    }

    private static Supply of(List<KitState> kits, Map<String, Double> used) {
        Leaflet leaflet = kits.get(kits.size() - 1).arrival().leaflet();
        Map<String, Double> left = new HashMap<>();
        kits.stream().filter(kit -> !kit.isFinished()).forEach(kit -> kit.left()
                .forEach((part, amount) -> left.merge(part, amount, Double::sum)));
        List<String> baths = leaflet.baths().stream()
                .filter(bath -> !bath.recipe().additions().isEmpty())
                .map(Bath::key)
                .toList();
        double makes = baths.isEmpty()
                ? 0
                : KitSplit.of(leaflet.recipes(baths), left, leaflet.makesMl()).largestMl();
        double most = leaflet.parts().stream()
                .mapToDouble(part -> used.getOrDefault(part.key(), 0.0) / part.amount())
                .max()
                .orElse(0);
        return new Supply(leaflet, makes, most * leaflet.makesMl(), LATELY_WEEKS);
    }
}

package mezcla.verdict;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.Suspect;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/**
 * When results of a bath really turned in this house, by rolls and by age, from looks at dry film (rules, section 6).
 * What was put down to anything but the chemistry does not count, and thin film that a trim has mended is no turn.
 *
 * @param bath the bath, as the leaflet prints it
 * @param looks what was seen, the fewest rolls first
 * @param fills how many fills that was in
 * @param proposal what the house could allow; null where too little was seen, or where it bears out what is printed
 */
public record HouseEvidence(Bath bath, List<Look> looks, int fills, @Nullable Proposal proposal) {
    private static final int LEAST_LOOKS = 6;
    private static final int LEAST_FILLS = 3;

    /** Keeps its own list. */
    public HouseEvidence {
        looks = List.copyOf(looks);
    }

    /**
     * A roll that was looked at when it was dry.
     *
     * @param batchId the batch that it went through
     * @param rolls n of the fill after its run, for the volume that the leaflet's capacity is printed for
     * @param days how old the fill was then, in days
     * @param turned whether the bath was spent
     * @param result what was seen
     */
    public record Look(long batchId, double rolls, double days, boolean turned, Finding result) {}

    /**
     * Limits that what was seen bears out: the most that was still good, below the least at which a bath had turned.
     * What is printed stands where no bath turned before it, and none was good beyond it.
     *
     * @param rolls whole roll equivalents for the printed volume; null for as printed
     * @param days whole days; null for as printed
     */
    public record Proposal(@Nullable Double rolls, @Nullable Double days) {}

    /**
     * Gathers what was seen.
     *
     * @param state what the log adds up to
     * @param leaflet the leaflet; fills mixed by other versions of it count as well
     * @param bath one of its baths
     * @param zone where its days begin
     */
    public static HouseEvidence of(LogState state, Leaflet leaflet, Bath bath, ZoneId zone) {
        List<Look> looks = new ArrayList<>();
        int fills = 0;
        for (BatchState batch : state.batches().values()) {
            List<FillState> own = batch.own()
                    .filter(fill -> fill.leaflet().key().equals(leaflet.key())
                            && fill.mixed().bathKey().equals(bath.key()))
                    .toList();
            for (FillState fill : own) {
                List<Look> seen = looks(batch, fill, zone);
                looks.addAll(seen);
                fills += seen.isEmpty() ? 0 : 1;
            }
        }
        looks.sort(Comparator.comparingDouble(Look::rolls).thenComparingDouble(Look::days));
        return new HouseEvidence(bath, looks, fills, proposal(bath, looks, fills));
    }

    private static List<Look> looks(BatchState batch, FillState fill, ZoneId zone) {
        return batch.looks().stream()
                .filter(look -> look.fillIds().contains(fill.id()))
                .filter(look -> look.result().isGood() || look.suspects().contains(Suspect.CHEMISTRY))
                .flatMap(look -> batch.runs().stream()
                        .filter(run -> run.stamp().sequence() == look.run())
                        .map(run -> run.stamp().happenedAt())
                        .map(at -> new Look(
                                batch.id(),
                                rollsAt(fill, at),
                                RunQuestion.daysBetween(fill.mixedAt(), at, zone),
                                turned(fill, look),
                                look.result())))
                .toList();
    }

    private static double rollsAt(FillState fill, Instant at) {
        double rolls = 0;
        for (FillState.Worn worn : fill.path()) {
            if (!worn.at().isAfter(at)) {
                rolls = worn.scaledRolls();
            }
        }
        return rolls;
    }

    private static boolean turned(FillState fill, FilmInspected look) {
        return switch (look.result()) {
            case HEAVY_CAST, HEAVY_GRAIN, CAST, GRAIN -> fill.bath().role().isDeveloper();
            case THIN -> fill.bath().role().isDeveloper() && !fill.leaflet().isImageDeveloper(fill.bath());
            case MILKY_DRY -> fill.bath().role().fixes();
            default -> false;
        };
    }

    private static @Nullable Proposal proposal(Bath bath, List<Look> looks, int fills) {
        if (looks.size() < LEAST_LOOKS || fills < LEAST_FILLS) {
            return null;
        }
        Double rolls = limit(looks, Look::rolls, bath.capacity());
        Double days = limit(looks, Look::days, bath.lifeDays());
        return rolls == null && days == null ? null : new Proposal(rolls, days);
    }

    /** The most that was still good: below the first turn, or else beyond what is printed. */
    private static @Nullable Double limit(List<Look> looks, ToDoubleFunction<Look> figure, @Nullable Range printed) {
        double turned =
                looks.stream().filter(Look::turned).mapToDouble(figure).min().orElse(Double.POSITIVE_INFINITY);
        double good = Slack.floor(looks.stream()
                .filter(look -> !look.turned() && figure.applyAsDouble(look) < turned)
                .mapToDouble(figure)
                .max()
                .orElse(0));
        boolean beyond = printed != null && Slack.exceeds(good, printed.max());
        boolean before = !Double.isInfinite(turned) && (printed == null || Slack.exceeds(printed.max(), turned));
        return good >= 1 && (beyond || before) ? Double.valueOf(good) : null;
    }
}

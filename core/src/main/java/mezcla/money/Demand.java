package mezcla.money;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import mezcla.batch.LogState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.RunLogged;

/** How much film of a process the house runs (rules, section 10). */
public final class Demand {
    /** The weeks that are looked back on. */
    public static final int WEEKS = 8;

    private static final Duration WEEK = Duration.ofDays(7);

    private Demand() {}

    /**
     * λ: roll equivalents a week over the last eight weeks; a house that is younger is asked about the weeks since its
     * first batch, one at least (<em>house</em>).
     *
     * @param state what the log adds up to
     * @param process whose film
     * @param now the present
     * @return it; empty where nothing of the process was run in that time
     */
    public static OptionalDouble perWeek(LogState state, FilmProcess process, Instant now) {
        double rolls = runs(state, process)
                .filter(run -> !run.stamp().happenedAt().isAfter(now))
                .filter(run -> run.stamp().happenedAt().isAfter(now.minus(WEEK.multipliedBy(WEEKS))))
                .mapToDouble(RunLogged::equivalents)
                .sum();
        return rolls > 0 ? OptionalDouble.of(rolls / weeks(state, now)) : OptionalDouble.empty();
    }

    private static double weeks(LogState state, Instant now) {
        double age = state.batches().values().stream()
                .map(batch -> batch.mixed().foldedAt())
                .min(Comparator.naturalOrder())
                .map(first -> Duration.between(first, now).toHours() / (24.0 * 7))
                .orElse((double) WEEKS);
        return Math.max(1, Math.min(WEEKS, age));
    }

    /**
     * What came in each whole week before now, in roll equivalents, the earliest first; from the week of the first run of
     * the process, and of a year at most.
     */
    public static List<Double> byWeek(LogState state, FilmProcess process, Instant now) {
        int most = 52;
        List<Double> weeks = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            weeks.add(0.0);
        }
        int earliest = -1;
        for (RunLogged run : runs(state, process).toList()) {
            Duration ago = Duration.between(run.stamp().happenedAt(), now);
            long week = ago.toHours() / WEEK.toHours();
            if (!ago.isNegative() && week < most) {
                weeks.set((int) week, weeks.get((int) week) + run.equivalents());
                earliest = Math.max(earliest, (int) week);
            }
        }
        List<Double> inOrder = new ArrayList<>(weeks.subList(0, earliest + 1));
        Collections.reverse(inOrder);
        return inOrder;
    }

    private static Stream<RunLogged> runs(LogState state, FilmProcess process) {
        return state.batches().values().stream()
                .filter(batch -> batch.process().equals(process))
                .flatMap(batch -> batch.runs().stream());
    }
}

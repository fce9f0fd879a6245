package mezcla.verdict;

import java.util.Comparator;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import mezcla.leaflet.Timing;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.measure.ProcessingTime;

/**
 * Why a member's time is not what it was the last time (rules, section 4).
 *
 * @param last the member's last run through this batch
 * @param secondsThen how long its film was in the developer
 * @param addedSeconds how much longer this run is; below zero when shorter
 * @param rollsSince roll equivalents that went through the batch since then, that run among them
 * @param pushDiffers whether the film is pushed differently now
 * @param warmthDiffers whether the developer was, or is, at another temperature than the sheet wants, and not the same
 */
public record SinceLastRun(
        RunLogged last,
        int secondsThen,
        int addedSeconds,
        double rollsSince,
        boolean pushDiffers,
        boolean warmthDiffers) {
    /**
     * Compares a plan with the member's last run through the same developer; empty when there was none, or when either
     * has no time.
     *
     * @param plan the run that is planned
     * @param theirs whether a name is, or was, the member's
     */
    public static Optional<SinceLastRun> of(RunPlan plan, Predicate<String> theirs) {
        Optional<ProcessingTime> now = plan.imageDeveloper().flatMap(RunPlan.PlannedBath::shown);
        Optional<RunLogged> last = plan.batch().runs().stream()
                .filter(run -> theirs.test(run.stamp().who()))
                .max(Comparator.comparing((RunLogged run) -> run.stamp().happenedAt())
                        .thenComparing(run -> run.stamp().sequence()));
        if (now.isEmpty() || last.isEmpty()) {
            return Optional.empty();
        }
        long developer = plan.imageDeveloper().orElseThrow().fill().id();
        return last.get().baths().stream()
                .filter(bath -> bath.fillId() == developer && bath.seconds() != null)
                .findFirst()
                .map(bath -> of(plan, last.get(), bath, now.orElseThrow().seconds()));
    }

    private static SinceLastRun of(RunPlan plan, RunLogged last, RunBath developer, int now) {
        int then = Objects.requireNonNull(developer.seconds());
        Timing timing = plan.imageDeveloper().orElseThrow().fill().bath().timing();
        double since = plan.batch().runs().stream()
                .filter(run -> !run.stamp().happenedAt().isBefore(last.stamp().happenedAt()))
                .mapToDouble(RunLogged::equivalents)
                .sum();
        boolean pushDiffers = last.rolls().get(0).stops() != plan.question().stops();
        double celsiusThen = developer.celsius() == null ? timing.atC() : developer.celsius();
        double celsiusNow = plan.question().celsius() == null
                ? timing.atC()
                : plan.question().celsius();
        boolean warmthDiffers = celsiusThen != celsiusNow && !(timing.holds(celsiusThen) && timing.holds(celsiusNow));
        return new SinceLastRun(last, then, now - then, since, pushDiffers, warmthDiffers);
    }
}

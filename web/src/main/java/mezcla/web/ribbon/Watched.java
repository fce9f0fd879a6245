package mezcla.web.ribbon;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import mezcla.leaflet.Timing;
import mezcla.processing.Drift;
import mezcla.processing.RunPresent;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.web.probes.Probe;
import mezcla.web.probes.ProbeService;
import mezcla.web.probes.ProbeWords;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/**
 * What is known of the temperature while a run goes on.
 *
 * @param shown what the probe shows; empty where there is none
 * @param finding what is wrong with it; empty for nothing
 * @param step the step that the advice is for; -1 for none
 * @param change how many seconds longer or shorter than planned, in steps of five
 * @param advice the same in words; empty for none
 */
public record Watched(String shown, String finding, int step, int change, String advice) {
    /**
     * Watches a run.
     *
     * @param steps its steps
     * @param timings what the leaflet says of a bath's time
     * @param happened what was confirmed
     * @param probe what watches it; null for nothing
     * @param readings what that showed
     * @param now the present
     * @param advises whether a drift gets advice
     */
    public static Watched of(
            RunSteps steps,
            Function<String, Timing> timings,
            List<RunProgress.Event> happened,
            @Nullable Probe probe,
            List<Probe.Reading> readings,
            Instant now,
            boolean advises) {
        RunPresent present = RunPresent.of(steps.steps().size(), happened);
        RunSteps.Step step =
                present.step() < 0 || present.done() ? null : steps.steps().get(present.step());
        String finding = probe == null
                ? ""
                : ProbeWords.finding(
                        ProbeService.found(readings, now, leastC(steps, step)).orElse(null));
        String shown = probe == null ? "" : ProbeWords.shows(probe, readings);
        Drift drift = advises
                ? Drift.of(steps, timings, with(happened, readings), now).orElse(null)
                : null;
        return drift == null
                ? new Watched(shown, finding, -1, 0, "")
                : new Watched(
                        shown,
                        finding,
                        drift.step(),
                        drift.changeSeconds(),
                        advice(drift, probe != null && probe.simulated()));
    }

    private static String advice(Drift drift, boolean simulated) {
        if (drift.beyond()) {
            return "%s %s: no time helps there. Bring it back to %s at once, and expect a cast."
                    .formatted(
                            simulated ? "Simulated, at" : "At",
                            Figures.celsius(drift.celsius()),
                            Figures.celsius(drift.backToC()));
        }
        return drift.changeSeconds() == 0
                ? ""
                : "%s %s: %s in all, %s %s."
                        .formatted(
                                simulated ? "Simulated, at" : "At",
                                Figures.celsius(drift.celsius()),
                                Figures.clock(drift.lastsSeconds()),
                                Figures.seconds(Math.abs(drift.changeSeconds())),
                                drift.changeSeconds() > 0 ? "more" : "less");
    }

    private static double leastC(RunSteps steps, RunSteps.@Nullable Step step) {
        RunSteps.Step wanted = step != null && step.role() != null
                ? step
                : steps.steps().stream()
                        .filter(each -> each.role() != null && each.role().isDeveloper())
                        .findFirst()
                        .orElse(null);
        Double least = wanted == null ? null : wanted.leastC();
        return least == null ? Double.NEGATIVE_INFINITY : least;
    }

    /** What was confirmed, and beside it what a probe showed of the water during each step. */
    public static List<RunProgress.Event> with(List<RunProgress.Event> happened, List<Probe.Reading> readings) {
        List<RunProgress.Event> all = new ArrayList<>(happened);
        List<RunProgress.Event> pours = happened.stream()
                .filter(event -> event.kind() == RunProgress.Kind.POUR)
                .sorted(Comparator.comparing(RunProgress.Event::at))
                .toList();
        Instant over = happened.stream()
                .filter(event -> event.kind() == RunProgress.Kind.DONE)
                .map(RunProgress.Event::at)
                .findFirst()
                .orElse(Instant.MAX);
        for (Probe.Reading reading : ProbeService.ofWater(readings)) {
            pours.stream()
                    .filter(pour ->
                            !pour.at().isAfter(reading.at()) && reading.at().isBefore(over))
                    .reduce((earlier, later) -> later)
                    .ifPresent(pour -> all.add(new RunProgress.Event(
                            reading.at(), RunProgress.Kind.TEMPERATURE, pour.step(), reading.celsius())));
        }
        all.sort(Comparator.comparing(RunProgress.Event::at));
        return all;
    }
}

package mezcla.web.ribbon.shown;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import mezcla.leaflet.Timing;
import mezcla.processing.Drift;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/**
 * What was late, early or missed, in words.
 *
 * @param title what it comes to
 * @param steps step by step
 */
public record PracticeReport(String title, List<Step> steps) {

    /**
     * A step.
     *
     * @param name what it is called
     * @param planned how long it was to last
     * @param real how long it lasted
     * @param remarks what was late, early or missed
     */
    public record Step(String name, String planned, String real, List<String> remarks) {}

    /**
     * Tells how a run went.
     *
     * @param steps the run as planned
     * @param progress what became of it
     * @param happened what was confirmed and measured
     * @param timings what the leaflet says of a bath's time
     */
    public static PracticeReport of(
            RunSteps steps, RunProgress progress, List<RunProgress.Event> happened, Function<String, Timing> timings) {
        List<Step> told = new ArrayList<>();
        int remarks = 0;
        for (RunProgress.Passed passed : progress.passed()) {
            Step step = step(steps, passed, drift(steps, passed, happened, timings));
            told.add(step);
            remarks += step.remarks().size();
        }
        int left = steps.steps().size() - progress.passed().size();
        return new PracticeReport(title(remarks, left), told);
    }

    private static String title(int remarks, int left) {
        if (left > 0) {
            return "It ended with %s still to come".formatted(left == 1 ? "one step" : Figures.number(left) + " steps");
        }
        return remarks == 0
                ? "Everything was on time"
                : "%s off"
                        .formatted(Figures.sentence(
                                remarks == 1 ? "one thing was" : Figures.number(remarks) + " things were"));
    }

    /** How much a developer did, where its temperature makes that another time than it had. */
    private static @Nullable String drift(
            RunSteps steps,
            RunProgress.Passed passed,
            List<RunProgress.Event> happened,
            Function<String, Timing> timings) {
        double planned = steps.schedule().steps().get(passed.step()).step().seconds();
        return Drift.counted(steps, passed, timings, happened)
                .map(counted -> "Its temperature made it count as %s; %s was planned."
                        .formatted(Figures.clock(counted), Figures.clock(planned)))
                .orElse(null);
    }

    private static Step step(RunSteps steps, RunProgress.Passed passed, @Nullable String drift) {
        RunSteps.Step step = steps.steps().get(passed.step());
        List<String> remarks = new ArrayList<>();
        if (!passed.isOnTime()) {
            remarks.add("Poured in %s %s."
                    .formatted(
                            Figures.seconds(Math.abs(passed.lateSeconds())),
                            passed.lateSeconds() > 0 ? "late" : "early"));
        }
        passed.missed().forEach(at -> remarks.add("Not moved at %s.".formatted(Figures.clock(at))));
        passed.troubles()
                .forEach(trouble ->
                        remarks.add("%s, at %s.".formatted(trouble.what().words(), Figures.clock(trouble.seconds()))));
        if (drift != null) {
            remarks.add(drift);
        }
        return new Step(
                step.name(),
                Figures.clock(passed.plannedSeconds()),
                passed.realSeconds() == null ? "not ended" : Figures.clock(passed.realSeconds()),
                remarks);
    }
}

package mezcla.web.ribbon;

import java.util.ArrayList;
import java.util.List;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.web.shell.Figures;

/**
 * What was late, early or missed, in words.
 *
 * @param title what it comes to
 * @param steps step by step
 */
public record PracticeReport(String title, List<Step> steps) {
    private static final double ON_TIME_SECONDS = 2;

    /**
     * A step.
     *
     * @param name what it is called
     * @param planned how long it was to last
     * @param real how long it lasted
     * @param remarks what was late, early or missed
     */
    public record Step(String name, String planned, String real, List<String> remarks) {}

    /** Tells how a run went. */
    public static PracticeReport of(RunSteps steps, RunProgress progress) {
        List<Step> told = new ArrayList<>();
        int remarks = 0;
        for (RunProgress.Passed passed : progress.passed()) {
            Step step = step(steps, passed);
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

    private static Step step(RunSteps steps, RunProgress.Passed passed) {
        RunSteps.Step step = steps.steps().get(passed.step());
        List<String> remarks = new ArrayList<>();
        if (Math.abs(passed.lateSeconds()) > ON_TIME_SECONDS) {
            remarks.add("Poured in %s %s."
                    .formatted(
                            Figures.seconds(Math.abs(passed.lateSeconds())),
                            passed.lateSeconds() > 0 ? "late" : "early"));
        }
        passed.missed().forEach(at -> remarks.add("Not moved at %s.".formatted(Figures.clock(at))));
        passed.troubles().forEach(at -> remarks.add("Something went wrong at %s.".formatted(Figures.clock(at))));
        return new Step(
                step.name(),
                Figures.clock(passed.plannedSeconds()),
                passed.realSeconds() == null ? "not ended" : Figures.clock(passed.realSeconds()),
                remarks);
    }
}

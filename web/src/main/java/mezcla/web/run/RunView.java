package mezcla.web.run;

import java.util.ArrayList;
import java.util.List;
import mezcla.batch.FillState;
import mezcla.leaflet.Timing;
import mezcla.measure.ProcessingTime;
import mezcla.processing.RunTime;
import mezcla.verdict.RunPlan;
import mezcla.web.shell.Figures;
import mezcla.web.shell.Sentences;
import mezcla.web.shell.StateWords;
import org.jspecify.annotations.Nullable;

/**
 * The answer about a run.
 *
 * @param fits whether nothing speaks against it
 * @param film how much it is
 * @param developer the developer's time; null where the leaflet has none
 * @param developerName which bath that is
 * @param stateWord the batch's state for this run
 * @param state the state's key, for its look
 * @param baths all baths, in the order of use
 * @param refusals what speaks against it
 */
public record RunView(
        boolean fits,
        String film,
        @Nullable String developer,
        String developerName,
        String stateWord,
        String state,
        List<Bath> baths,
        List<String> refusals) {
    /**
     * A bath of the run.
     *
     * @param letters its letters
     * @param name its name
     * @param time how long
     * @param temperature at what temperature
     * @param factors what the time is made of
     */
    public record Bath(String letters, String name, String time, String temperature, List<String> factors) {}

    static RunView of(RunPlan plan) {
        return new RunView(
                plan.fits(),
                Figures.countOfRolls(plan.question().equivalents()),
                plan.imageDeveloper()
                        .flatMap(RunPlan.PlannedBath::shown)
                        .map(ProcessingTime::toString)
                        .orElse(null),
                plan.imageDeveloper()
                        .map(bath -> bath.fill().bath().role().name())
                        .orElse(""),
                StateWords.of(plan),
                StateWords.key(plan),
                plan.baths().stream().map(bath -> bath(bath, plan)).toList(),
                plan.refusals().stream().map(Sentences::refusal).toList());
    }

    private static Bath bath(RunPlan.PlannedBath planned, RunPlan plan) {
        FillState fill = planned.fill();
        Timing timing = fill.bath().timing();
        RunTime time = planned.time();
        return new Bath(
                fill.bath().role().letters(),
                fill.bath().role().name(),
                planned.shown().map(ProcessingTime::toString).orElse("–"),
                Figures.celsius(timing.atC()),
                time == null
                        ? List.of()
                        : factors(planned, time, plan.question().stops()));
    }

    private static List<String> factors(RunPlan.PlannedBath planned, RunTime time, double stops) {
        List<String> factors = new ArrayList<>();
        factors.add("Fresh " + ProcessingTime.shown(time.freshSeconds()));
        double more = time.exhaustionSeconds() - time.freshSeconds();
        if (Math.abs(more) >= 0.5) {
            factors.add("%s for %s rolls done".formatted(signed(more), Sentences.rollsDone(planned.fill())));
        }
        if (time.pushFactor() != 1) {
            factors.add("× %s for %s stops".formatted(Figures.plain(time.pushFactor(), 2), Figures.stops(stops)));
        }
        if (time.trimFactor() != 1) {
            factors.add("trim %s from an inspection".formatted(Figures.percent((time.trimFactor() - 1) * 100)));
        }
        if (time.straddledStep() != null) {
            factors.add("this run crosses roll %s of the list; its middle decides"
                    .formatted(
                            Figures.rolls(time.straddledStep() / planned.fill().wearPerRoll())));
        }
        if (time.flags().contains(RunTime.Flag.PAST_TABLE)) {
            factors.add("past the printed list, which goes on at its last slope");
        }
        if (planned.fill().bath().oneShot() != null) {
            factors.add("one-shot: %s of stock, poured away after it".formatted(Figures.ml(planned.takesMl())));
        }
        return factors;
    }

    private static String signed(double seconds) {
        return (seconds > 0 ? "+" : "−") + Figures.seconds(Math.abs(seconds));
    }
}

package mezcla.web.run.plan;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import mezcla.batch.FillState;
import mezcla.leaflet.Timing;
import mezcla.measure.ProcessingTime;
import mezcla.processing.RunTime;
import mezcla.verdict.RunPlan;
import mezcla.verdict.SinceLastRun;
import mezcla.web.words.Figures;
import mezcla.web.words.MixtureWords;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.OneShotWords;
import mezcla.web.words.verdict.ReasonWords;
import mezcla.web.words.verdict.StateWords;
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
 * @param remarks what is said about it
 * @param overridden limits that were passed on purpose, as sentences
 * @param overridable whether what speaks against it are limits that may be passed on purpose
 * @param since why the developer's time is not what it was at the member's last run; empty for nothing to say
 */
public record RunView(
        boolean fits,
        String film,
        @Nullable String developer,
        String developerName,
        String stateWord,
        String state,
        List<Bath> baths,
        List<String> refusals,
        List<String> remarks,
        List<String> overridden,
        boolean overridable,
        String since) {
    /**
     * A bath of the run.
     *
     * @param fill the fill
     * @param letters its letters
     * @param name its name
     * @param time how long
     * @param temperature at what temperature
     * @param factors what the time is made of
     */
    public record Bath(long fill, String letters, String name, String time, String temperature, List<String> factors) {}

    static RunView of(RunPlan plan, List<String> alike, Predicate<String> theirs, ZoneId zone) {
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
                plan.objections().stream().map(ObjectionWords::of).toList(),
                Stream.concat(alike.stream(), plan.remarks().stream().map(ObjectionWords::of))
                        .toList(),
                plan.baths().stream()
                        .flatMap(bath -> bath.fill().overrides().stream()
                                .map(override -> "%s: %s went past its limit on purpose. %s"
                                        .formatted(
                                                bath.fill().bath().role().name(), override.who(), override.reason())))
                        .toList(),
                !plan.overridable().isEmpty(),
                SinceLastRun.of(plan, theirs).map(since -> since(since, zone)).orElse(""));
    }

    private static String since(SinceLastRun since, ZoneId zone) {
        String then = "your last run on %s (%s)"
                .formatted(
                        Figures.day(since.last().stamp().happenedAt(), zone),
                        ProcessingTime.ofSeconds(since.secondsThen()));
        if (since.addedSeconds() == 0) {
            return "As long as " + then + ".";
        }
        String more = Figures.seconds(Math.abs(since.addedSeconds())) + (since.addedSeconds() > 0 ? " more" : " less");
        List<String> because = new ArrayList<>();
        if (since.rollsSince() > 0) {
            because.add(Figures.countOfRolls(since.rollsSince()) + " since then");
        }
        if (since.pushDiffers()) {
            because.add("the film is pushed differently");
        }
        if (since.warmthDiffers()) {
            because.add("the developer is at another temperature");
        }
        return "%s than %s: %s.".formatted(more, then, String.join(", and ", because));
    }

    private static Bath bath(RunPlan.PlannedBath planned, RunPlan plan) {
        FillState fill = planned.fill();
        Timing timing = fill.bath().timing();
        RunTime time = planned.time();
        return new Bath(
                fill.id(),
                fill.bath().role().letters(),
                fill.bath().role().name(),
                planned.shown().map(ProcessingTime::toString).orElse("–"),
                Figures.celsius(plan.celsius(planned).orElse(timing.atC())),
                time == null
                        ? List.of()
                        : factors(planned, time, plan.question().stops()));
    }

    private static List<String> factors(RunPlan.PlannedBath planned, RunTime time, double stops) {
        List<String> factors = new ArrayList<>();
        ProcessingTime fresh = ProcessingTime.shown(time.freshSeconds());
        factors.add("Fresh " + fresh);
        int more = ProcessingTime.shown(time.exhaustionSeconds()).seconds() - fresh.seconds();
        if (more != 0) {
            factors.add("%s for %s rolls done".formatted(signed(more), ReasonWords.rollsDone(planned.fill())));
        }
        if (time.pushFactor() != 1) {
            factors.add("× %s for %s stops".formatted(Figures.plain(time.pushFactor(), 2), Figures.stops(stops)));
        }
        if (time.trimFactor() != 1) {
            factors.add("trim %s from looks at film".formatted(Figures.percent((time.trimFactor() - 1) * 100)));
        }
        if (time.straddledStep() != null) {
            factors.add("this run crosses roll %s of the list; its middle decides"
                    .formatted(Figures.rolls(planned.fill().rollsOf(time.straddledStep()))));
        }
        if (time.flags().contains(RunTime.Flag.PAST_TABLE)) {
            factors.add("past the printed list, which goes on at its last slope");
        }
        if (time.flags().contains(RunTime.Flag.TEMPERATURE_TABLE)) {
            factors.add(
                    "× %s by the printed table of temperatures".formatted(Figures.plain(time.temperatureFactor(), 2)));
        }
        if (time.flags().contains(RunTime.Flag.TEMPERATURE_ESTIMATE)) {
            factors.add("× %s for the temperature (estimate, nothing is printed)"
                    .formatted(Figures.plain(time.temperatureFactor(), 2)));
        }
        String mixture = MixtureWords.of(planned.fill().mixture());
        if (!mixture.isEmpty()) {
            factors.add(Figures.within(mixture));
        }
        if (planned.fill().bath().oneShot() != null) {
            factors.add(OneShotWords.mixed(planned));
        }
        return factors;
    }

    private static String signed(double seconds) {
        return (seconds > 0 ? "+" : "−") + Figures.seconds(Math.abs(seconds));
    }
}

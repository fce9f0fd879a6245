package mezcla.web.ribbon;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.batch.FillState;
import mezcla.batch.ShortCode;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.StepClock;
import mezcla.measure.ProcessingTime;
import mezcla.processing.Agitation;
import mezcla.processing.Moved;
import mezcla.processing.RunSteps;
import mezcla.processing.Schedule;
import mezcla.web.ribbon.accident.AccidentsView;
import mezcla.web.words.Figures;
import mezcla.web.words.WettingAgent;
import org.jspecify.annotations.Nullable;

/**
 * A run as a browser plays it.
 *
 * @param started the row with which it was started; 0 for practice
 * @param speed how many times as fast as the clock
 * @param now the time of this machine, in milliseconds since 1970
 * @param zone where the house's clock stands
 * @param lightSafeAfter after which step the tank may be opened; -1 for none
 * @param steps its steps
 * @param bottles what is in which bottle, by its short code
 * @param accidents what it says when something goes wrong
 * @param events what was confirmed so far
 */
public record RibbonView(
        long started,
        int speed,
        long now,
        String zone,
        int lightSafeAfter,
        List<Step> steps,
        Map<String, String> bottles,
        AccidentsView accidents,
        List<RibbonService.Sent> events) {
    private static final double LONGER_SECONDS = 900;

    /**
     * A step.
     *
     * @param name what it is called
     * @param letters the bath's letters; empty for water
     * @param code the short code of its bottle; empty for water, and for practice
     * @param seconds how long it takes
     * @param fill how long pouring in takes
     * @param drain how long pouring out takes
     * @param temperature how warm it is to be
     * @param wanted the same in °C; null where nobody says
     * @param fills how often water is filled in; 0 where that does not count
     * @param open whether it goes on until somebody sees that it is enough
     * @param pause whether it may wait
     * @param out where it goes afterwards
     * @param before what to do before it is poured in; empty for nothing
     * @param moveFirst what to do with the tank at first; empty where it stands still
     * @param move what to do with it afterwards
     * @param still what to do when that is enough; empty where it never is
     * @param says a short instruction of the sheet; empty for none
     * @param cues when the tank is moved, also beyond the planned end: from when, for how long (0 until pouring out)
     */
    public record Step(
            String name,
            String letters,
            String code,
            double seconds,
            double fill,
            double drain,
            String temperature,
            @Nullable Double wanted,
            int fills,
            boolean open,
            boolean pause,
            String out,
            String before,
            String moveFirst,
            String move,
            String still,
            String says,
            List<double[]> cues) {}

    /**
     * A run, and what is in which bottle by its place in the leaflet; started 0 for practice.
     *
     * @param mixes what is put together before a bath is poured, by its place
     * @param tankMl what the tank takes, in ml; 0 where nobody said
     */
    public static RibbonView of(
            RunSteps steps,
            long started,
            int speed,
            long now,
            ZoneId zone,
            Map<String, FillState> fills,
            Map<String, String> mixes,
            double tankMl,
            List<RibbonService.Sent> events) {
        Map<String, String> codes = new HashMap<>();
        Map<String, String> bottles = new HashMap<>();
        for (Map.Entry<String, FillState> place : fills.entrySet()) {
            FillState fill = place.getValue();
            codes.put(place.getKey(), ShortCode.of(fill.id()));
            bottles.put(
                    ShortCode.of(fill.id()),
                    "%s (%s)"
                            .formatted(
                                    fill.bath().role().name(),
                                    fill.bath().role().letters()));
        }
        List<Step> all = new ArrayList<>();
        for (int i = 0; i < steps.steps().size(); i++) {
            all.add(step(steps.steps().get(i), steps.schedule().steps().get(i), codes, mixes, tankMl));
        }
        return new RibbonView(
                started,
                speed,
                now,
                zone.getId(),
                steps.lightSafeAfter(),
                all,
                bottles,
                AccidentsView.of(steps),
                events);
    }

    private static Step step(
            RunSteps.Step step,
            Schedule.Timed timed,
            Map<String, String> codes,
            Map<String, String> mixes,
            double tankMl) {
        return new Step(
                step.name(),
                step.role() == null ? "" : step.role().letters(),
                step.bath() == null ? "" : codes.getOrDefault(step.bath(), ""),
                timed.step().seconds(),
                timed.step().clock() == StepClock.FULL ? 0 : timed.step().fillSeconds(),
                timed.step().drainSeconds(),
                step.role() == null ? water(step, tankMl) : temperature(step),
                step.atC(),
                step.fills(),
                step.isOpen(),
                step.mayPause(),
                out(step),
                before(step, mixes),
                step.moved() == null ? "" : step.moved().first().words(),
                step.moved() == null ? "" : then(step.moved()),
                step.moved() == null ? "" : step.moved().then().still(),
                step.says() == null ? "" : Figures.sentence(step.says()),
                cues(timed));
    }

    private static String then(Moved moved) {
        return moved.capGoesOn()
                ? "Cap on, then " + Figures.within(moved.then().words())
                : moved.then().words();
    }

    private static String water(RunSteps.Step step, double tankMl) {
        if (tankMl == 0) {
            return temperature(step);
        }
        if (step.kind() == ProcessStep.Kind.WETTING_AGENT) {
            return WettingAgent.in(tankMl);
        }
        String warm = temperature(step);
        return Figures.ml(tankMl) + (warm.isEmpty() ? ", as warm as the bath" : " at " + warm);
    }

    private static String before(RunSteps.Step step, Map<String, String> mixes) {
        if (step.wipeBefore()) {
            return "Wipe the glossy back, never the other side, with a soft wet sponge";
        }
        return step.bath() == null ? "" : mixes.getOrDefault(step.bath(), "");
    }

    private static String out(RunSteps.Step step) {
        if (step.role() == null) {
            return "Pour the water out";
        }
        return step.oneShot() ? "Pour it into its waste drum: it serves once" : "Pour it back into its bottle";
    }

    /** A step may be made longer while it goes on; then the tank is moved in what was added, too. */
    private static List<double[]> cues(Schedule.Timed timed) {
        Optional<Agitation> agitation = Optional.ofNullable(timed.step().agitation());
        boolean continuous = agitation
                .filter(each -> each.by(() -> true, intervals -> false))
                .isPresent();
        Agitation.Intervals intervals = agitation
                .flatMap(each -> each.<Optional<Agitation.Intervals>>by(Optional::empty, Optional::of))
                .orElse(null);
        List<double[]> cues = new ArrayList<>();
        for (Schedule.Cue cue : Schedule.cues(timed.step().lasting(timed.step().seconds() + LONGER_SECONDS))) {
            if (cue.kind() == Schedule.Cue.Kind.AGITATE) {
                boolean opening = continuous || (cues.isEmpty() && intervals != null && intervals.initialSeconds() > 0);
                cues.add(new double[] {
                    cue.at(),
                    continuous || cue.forSeconds() == null ? 0 : cue.forSeconds(),
                    opening || intervals == null ? 0 : intervals.turns(),
                    opening ? 1 : 0
                });
            }
        }
        return cues;
    }

    /** How warm a step is; water that may be from one temperature to another is shown so. */
    public static String temperature(RunSteps.Step step) {
        Double least = step.leastC();
        Double most = step.mostC();
        if (step.role() == null && least != null && most != null) {
            return Figures.celsius(least, most);
        }
        return step.atC() == null ? step.role() == null ? "" : "as warm as the room" : Figures.celsius(step.atC());
    }

    /** A length as it is shown. */
    static String time(@Nullable Double seconds) {
        return seconds == null
                ? "–"
                : ProcessingTime.ofSeconds((int) Math.round(seconds)).toString();
    }
}

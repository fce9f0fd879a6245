package mezcla.web.run.evening;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import mezcla.measure.ProcessingTime;
import mezcla.verdict.Evening;
import mezcla.verdict.State;
import mezcla.web.drawing.plot.EveningDrawing;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.verdict.StateWords;
import org.jspecify.annotations.Nullable;

/**
 * An evening of several loads, as it is shown.
 *
 * @param heading when what happens
 * @param late what to do where it cannot be in time; empty for nothing
 * @param cold whether the bath has to be warmed first
 * @param batchId the first load's batch, which is warmed up
 * @param loads the loads
 * @param drawing the same as a strip
 */
public record EveningView(
        String heading, String late, boolean cold, long batchId, List<Load> loads, EveningDrawing drawing) {
    /**
     * A load.
     *
     * @param id which one
     * @param hours from when to when
     * @param batchId its batch
     * @param batch what that is called
     * @param film what film it is
     * @param tank its tank, and how it is moved
     * @param developerName what the developer is called
     * @param developer how long it takes; null where there is no answer
     * @param longer how that differs from the load before with the same batch; empty for no difference
     * @param total how long it all takes
     * @param test why the batch is to be tested first; empty where it need not be
     * @param process what film it is for
     * @param refusals what speaks against it
     * @param query what its page's address carries
     * @param mine whether whoever looks may drop it
     */
    public record Load(
            long id,
            String hours,
            long batchId,
            String batch,
            String film,
            String tank,
            String developerName,
            @Nullable String developer,
            String longer,
            String total,
            List<String> test,
            String process,
            List<String> refusals,
            String query,
            boolean mine) {}

    static EveningView of(EveningService.Plan plan, Instant now, ZoneId zone) {
        List<Load> loads = new ArrayList<>();
        for (int i = 0; i < plan.loads().size(); i++) {
            loads.add(load(plan.loads(), i, zone));
        }
        Evening evening = plan.evening();
        return new EveningView(
                heading(plan, zone),
                late(plan, now, zone),
                plan.warming() == null || !plan.warming().isZero(),
                evening.loads().get(0).plan().batch().id(),
                loads,
                EveningDrawing.of(evening, zone));
    }

    private static String heading(EveningService.Plan plan, ZoneId zone) {
        Evening evening = plan.evening();
        if (evening.refused().isPresent()) {
            return "Load %d does not fit"
                    .formatted(evening.loads().indexOf(evening.refused().get()) + 1);
        }
        Duration warming = plan.warming();
        String hang = "hang the last film at " + Figures.hour(evening.over(), zone);
        String pour = "pour at " + Figures.hour(evening.loads().get(0).pourAt(), zone);
        return warming == null || warming.isZero()
                ? Figures.sentence(pour) + ", " + hang
                : "Start warming at %s, %s, %s".formatted(Figures.hour(evening.startWarming(), zone), pour, hang);
    }

    private static String late(EveningService.Plan plan, Instant now, ZoneId zone) {
        Duration warming = plan.warming();
        if (warming == null) {
            return plan.described()
                    ? "The bath does not get warm within four hours. Begin with warmer water."
                    : "Nobody has said what the house’s water bath is like, so nothing can be said of its warming.";
        }
        long behind = plan.evening().lateMinutes(now);
        return warming.isZero() || behind < 1
                ? ""
                : "It is too late for that by %s: switched on now, it is warm at %s."
                        .formatted(Figures.count((int) behind, "minute"), Figures.hour(now.plus(warming), zone));
    }

    private static Load load(List<EveningService.Planned> all, int place, ZoneId zone) {
        EveningService.Planned planned = all.get(place);
        Evening.Load load = planned.load();
        Integer seconds = developer(load);
        return new Load(
                planned.id(),
                Figures.hour(load.pourAt(), zone) + " – " + Figures.hour(load.hangAt(), zone),
                load.plan().batch().id(),
                load.plan().batch().mixed().name(),
                EntryWords.film(load.plan().question().rolls()),
                "%s (%s)"
                        .formatted(
                                planned.tank().name(),
                                Figures.within(
                                        planned.kept().choices().movement().words())),
                load.plan()
                        .imageDeveloper()
                        .map(bath -> bath.fill().bath().role().name())
                        .orElse(""),
                seconds == null ? null : ProcessingTime.ofSeconds(seconds).toString(),
                longer(all.subList(0, place), load, seconds),
                Figures.clock(load.steps().schedule().totalSeconds()),
                load.plan().isToBeTested()
                        ? load.plan().verdict().reasons().stream()
                                .filter(reason -> reason.code().state() == State.CHECK)
                                .map(reason -> StateWords.sentence(load.plan(), reason))
                                .toList()
                        : List.of(),
                load.plan().batch().process().name(),
                load.plan().objections().stream().map(ObjectionWords::of).toList(),
                planned.kept().query(load.plan().batch().process()),
                planned.mine());
    }

    private static @Nullable Integer developer(Evening.Load load) {
        return load.plan()
                .imageDeveloper()
                .flatMap(bath -> bath.shown())
                .map(ProcessingTime::seconds)
                .orElse(null);
    }

    private static String longer(List<EveningService.Planned> before, Evening.Load load, @Nullable Integer seconds) {
        Integer last = before.stream()
                .map(EveningService.Planned::load)
                .filter(other ->
                        other.plan().batch().id() == load.plan().batch().id())
                .map(EveningView::developer)
                .reduce((earlier, later) -> later)
                .orElse(null);
        if (last == null || seconds == null || last.equals(seconds)) {
            return "";
        }
        return "%s %s than the load before"
                .formatted(Figures.seconds(Math.abs(seconds - last)), seconds > last ? "more" : "less");
    }
}

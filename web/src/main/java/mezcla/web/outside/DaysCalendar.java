package mezcla.web.outside;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.DrumLevel;
import mezcla.verdict.DayToKnow;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.drums.WasteService;
import mezcla.web.log.DarkroomLog;
import mezcla.web.run.evening.EveningService;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Method;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Days to know, as a calendar: last days, days from which to test, drums to be collected, the loads of the evening. */
@Service
class DaysCalendar {
    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;
    private final WasteService waste;
    private final EveningService evenings;
    private final LogClock clock;

    DaysCalendar(
            DarkroomLog log,
            Planning planning,
            HouseService houses,
            WasteService waste,
            EveningService evenings,
            LogClock clock) {
        this.log = log;
        this.planning = planning;
        this.houses = houses;
        this.waste = waste;
        this.evenings = evenings;
        this.clock = clock;
    }

    /** What a batch has on a day. */
    private record OfBatch(long batch, DayToKnow.Kind kind, LocalDate day) {}

    /** The calendar, as text. */
    @Transactional(readOnly = true)
    public String text() {
        ZoneId zone = houses.house().timeZone();
        LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Mezcla//" + houses.house().name().replaceAll("[^\\p{L}\\p{N} ]", "") + "//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        calendar.add(new Method("PUBLISH"));
        Map<OfBatch, List<String>> days = new LinkedHashMap<>();
        log.state().standing().stream()
                .flatMap(batch -> DayToKnow.of(planning.nextRoll(batch)).stream())
                .forEach(day -> days.computeIfAbsent(
                                new OfBatch(day.batchId(), day.kind(), day.day()), each -> new ArrayList<>())
                        .add(Figures.within(day.fill().bath().role().name())));
        days.forEach((day, baths) -> calendar.add(event(
                "batch-%d-%s-%s"
                        .formatted(
                                day.batch(), day.kind(), String.join("-", baths).replace(' ', '-')),
                day.day(),
                (day.kind() == DayToKnow.Kind.LAST
                                ? "Batch %d: last day of the %s"
                                : "Batch %d: test the %s first from today")
                        .formatted(day.batch(), String.join(", ", baths)))));
        waste.levels().stream()
                .filter(DrumLevel::due)
                .map(level -> level.drum())
                .forEach(drum -> calendar.add(event("drum-" + drum.id(), today, "To be collected: " + drum.name())));
        evenings.pours()
                .forEach(load -> calendar.add(event(
                        "load-" + load.id(),
                        load.pourAt(),
                        load.hangAt(),
                        "Load through batch %d: %s".formatted(load.batchId(), load.film()))));
        return calendar.toString();
    }

    private static VEvent event(String id, LocalDate day, String what) {
        VEvent event = new VEvent(day, what);
        event.add(new Uid(id + "@mezcla"));
        return event;
    }

    private static VEvent event(String id, Instant from, Instant until, String what) {
        VEvent event = new VEvent(from, until, what);
        event.add(new Uid(id + "@mezcla"));
        return event;
    }
}

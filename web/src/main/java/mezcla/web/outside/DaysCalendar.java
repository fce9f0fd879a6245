package mezcla.web.outside;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mezcla.due.Due;
import mezcla.web.run.evening.EveningService;
import mezcla.web.settings.HouseService;
import mezcla.web.week.DueWords;
import mezcla.web.week.WeekService;
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

/** What needs doing as a calendar, one event a day and kind, and the loads of the evening. Whose film it is stays inside. */
@Service
class DaysCalendar {
    private static final int DAYS_AHEAD = 800;

    private final WeekService weeks;
    private final HouseService houses;
    private final EveningService evenings;

    DaysCalendar(WeekService weeks, HouseService houses, EveningService evenings) {
        this.weeks = weeks;
        this.houses = houses;
        this.evenings = evenings;
    }

    /** What is told as one event: all of a kind on a day. */
    private record OfDay(LocalDate day, String kind) {}

    private static String kind(Due due) {
        return due.getClass().getSimpleName();
    }

    /** The calendar, as text. */
    @Transactional(readOnly = true)
    public String text() {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Mezcla//" + houses.house().name().replaceAll("[^\\p{L}\\p{N} ]", "") + "//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        calendar.add(new Method("PUBLISH"));
        Map<OfDay, List<DueWords.Line>> days = new LinkedHashMap<>();
        DueWords words = weeks.words();
        for (Due due : weeks.house(DAYS_AHEAD)) {
            DueWords.Line line = due.tell(words);
            if (WeekService.isForAll(due)) {
                days.computeIfAbsent(new OfDay(due.day(), kind(due)), none -> new ArrayList<>())
                        .add(line);
            }
        }
        days.forEach((day, lines) -> calendar.add(event(
                "%s-%s".formatted(day.kind(), day.day()),
                day.day(),
                Figures.sentence(
                        lines.stream().map(DueWords.Line::shortly).distinct().collect(Collectors.joining("; "))))));
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

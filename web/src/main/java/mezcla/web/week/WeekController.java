package mezcla.web.week;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mezcla.due.Due;
import mezcla.due.NeedsDoing;
import mezcla.web.access.Device;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Sent;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;

/** This week: what needs doing. */
@Controller
class WeekController {
    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("EEE d", Locale.UK);
    private static final int DAYS_A_WEEK = 7;
    private static final int MOST_A_DAY = 4;

    private final WeekService weeks;
    private final HouseService houses;
    private final LogClock clock;

    WeekController(WeekService weeks, HouseService houses, LogClock clock) {
        this.weeks = weeks;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * The week.
     *
     * @param heading how much needs doing
     * @param groups what needs doing, by when
     * @param days the days ahead
     */
    record Page(String heading, List<Group> groups, List<Day> days) {}

    /** What needs doing by a day; those of a member's own are marked. */
    record Group(String title, List<Item> items) {}

    /** A line, and whether it is the reader's own. */
    record Item(DueWords.Line line, boolean own) {}

    /** A day ahead, with the first that it has, and how much more that is. */
    record Day(String name, List<DueWords.Line> has, int more) {}

    /** What needs doing comes first for a steward, the Shelf for everybody else and at a shared device. */
    @GetMapping("/")
    String home(@AuthenticationPrincipal @Nullable SignedIn member) {
        boolean shared = Device.here().filter(Device::shared).isPresent();
        return member != null && member.isSteward() && !shared ? "redirect:/week" : "redirect:/shelf";
    }

    @GetMapping("/week")
    ModelAndView week(@AuthenticationPrincipal SignedIn member) {
        ZoneId zone = houses.house().timeZone();
        LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
        DueWords words = new DueWords(today, zone);
        List<Due> dues = weeks.of(member);
        LocalDate soon = today.plusDays(DAYS_A_WEEK);
        List<Group> groups = new ArrayList<>();
        add(groups, "Today", dues.stream().filter(due -> !due.day().isAfter(today)), words, member);
        List<Due> thisWeek = dues.stream()
                .filter(due -> due.day().isAfter(today) && due.day().isBefore(soon))
                .toList();
        if (!thisWeek.isEmpty()) {
            LocalDate last = thisWeek.get(thisWeek.size() - 1).day();
            add(groups, "By " + Figures.day(last), thisWeek.stream(), words, member);
        }
        add(groups, "After that", dues.stream().filter(due -> !due.day().isBefore(soon)), words, member);
        return PageView.of(
                "week/week",
                new Page(
                        heading(dues, today),
                        groups,
                        IntStream.range(0, NeedsDoing.DAYS)
                                .mapToObj(today::plusDays)
                                .map(day -> day(
                                        SHORT.format(day),
                                        dues.stream()
                                                .filter(due -> due.day().equals(day))
                                                .map(due -> due.tell(words))
                                                .toList()))
                                .toList()),
                Sent.nothing());
    }

    private static Day day(String name, List<DueWords.Line> all) {
        return new Day(name, all.stream().limit(MOST_A_DAY).toList(), Math.max(0, all.size() - MOST_A_DAY));
    }

    private void add(List<Group> groups, String title, Stream<Due> dues, DueWords words, SignedIn member) {
        List<Item> items = dues.map(due -> new Item(due.tell(words), weeks.isOwn(due, member)))
                .toList();
        if (!items.isEmpty()) {
            groups.add(new Group(title, items));
        }
    }

    private static String heading(List<Due> dues, LocalDate today) {
        long now = dues.stream().filter(due -> !due.day().isAfter(today)).count();
        return dues.isEmpty()
                ? "Nothing needs doing this week"
                : "%s %s doing, %s"
                        .formatted(
                                Figures.sentence(Figures.count(dues.size(), "thing")),
                                dues.size() == 1 ? "needs" : "need",
                                now == 0 ? "none of them today" : Figures.number(now) + " of them today");
    }
}

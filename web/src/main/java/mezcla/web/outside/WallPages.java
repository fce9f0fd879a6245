package mezcla.web.outside;

import java.util.List;
import mezcla.log.RunStarted;
import mezcla.web.clock.LogClock;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.shelf.ShelfService;
import mezcla.web.shelf.ShelfView;
import mezcla.web.week.WeekService;
import mezcla.web.words.Figures;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What hangs on the wall: the crates with their states, and who is running until when. */
@Service
class WallPages {
    private final ShelfService shelves;
    private final WeekService weeks;
    private final RunService runs;
    private final EveningService evenings;
    private final HouseService houses;
    private final LogClock clock;

    WallPages(
            ShelfService shelves,
            WeekService weeks,
            RunService runs,
            EveningService evenings,
            HouseService houses,
            LogClock clock) {
        this.weeks = weeks;
        this.shelves = shelves;
        this.runs = runs;
        this.evenings = evenings;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * The wall.
     *
     * @param shelf the shelf, for the next roll
     * @param running who is running, through what, until when
     * @param due what is anybody’s to do today; empty for nothing
     * @param printed when it was printed
     */
    record Page(ShelfView shelf, List<Running> running, String due, String printed) {}

    /** A run under way. */
    record Running(String who, String batch, String until) {}

    @Transactional(readOnly = true)
    public Page page() {
        House house = houses.house();
        return new Page(
                shelves.shelf(),
                runs.underWay().stream().map(run -> running(run, house)).toList(),
                String.join("; ", weeks.todayForAll()),
                Figures.dayAndHour(clock.instant(), house.timeZone()));
    }

    private Running running(RunService.UnderWay run, House house) {
        RunStarted start = run.start();
        return new Running(
                start.stamp().who(),
                "batch %d, %s".formatted(start.batchId(), run.batch().mixed().name()),
                Figures.hour(evenings.until(start), house.timeZone()));
    }
}

package mezcla.web.layout;

import java.time.ZoneId;
import mezcla.web.clock.LogClock;
import mezcla.web.words.Figures;

/** What is odd about the machine's clock, in words. */
final class ClockWords {
    private ClockWords() {}

    static String said(LogClock.Odd odd, ZoneId zone) {
        String shows = Figures.dayYearAndHour(odd.shows(), zone);
        String other = Figures.dayYearAndHour(odd.other(), zone);
        return switch (odd.oddity()) {
            case JUMPED ->
                "This machine’s clock jumped: it shows %s, but by how long it has been running it is %s. Until a steward says which is right, entries are dated by how long it has been running."
                        .formatted(shows, other);
            case BEHIND ->
                "This machine’s clock shows %s, but the last entry is from %s. One of them is wrong: until a steward puts that right, new entries are dated like the last one."
                        .formatted(shows, other);
            case FAR_AHEAD ->
                "This machine’s clock shows %s, and the last entry is from %s. Check the date before you record anything; a steward can say that it is right."
                        .formatted(shows, other);
        };
    }
}

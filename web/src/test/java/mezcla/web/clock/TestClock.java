package mezcla.web.clock;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.function.Supplier;

/** A clock that shows what a test says: time that passes, unless the machine is said to have run another time. */
public final class TestClock extends Clock implements RunningTime {
    private final Supplier<Instant> shows;
    private final Supplier<Duration> runs;

    /** Time passes as this clock shows. */
    public TestClock(Supplier<Instant> shows) {
        this(shows, () -> Duration.between(Instant.EPOCH, shows.get()));
    }

    /** A clock that somebody turns while the machine goes on running. */
    public TestClock(Supplier<Instant> shows, Supplier<Duration> runs) {
        this.shows = shows;
        this.runs = runs;
    }

    /** A clock that is wrong by as much as is said, on this machine. */
    public static TestClock wrongBy(Supplier<Duration> wrong) {
        return new TestClock(() -> Instant.now().plus(wrong.get()), () -> Duration.ofNanos(System.nanoTime()));
    }

    /** As after a power cut: how long the machine was off is not known. */
    public static void restart(LogClock clock) {
        clock.begin();
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return this;
    }

    @Override
    public Instant instant() {
        return shows.get();
    }

    @Override
    public Duration elapsed() {
        return runs.get();
    }
}

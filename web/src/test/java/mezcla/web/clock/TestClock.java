package mezcla.web.clock;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.function.Supplier;

/** A clock that shows what a test says. */
public final class TestClock extends Clock {
    private final Supplier<Instant> shows;

    public TestClock(Supplier<Instant> shows) {
        this.shows = shows;
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
}

package mezcla.web.clock;

import java.time.Clock;
import java.time.Instant;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;

/**
 * The present as the log counts it: never earlier than its last row. A machine's clock that was put back stands still
 * here until the time of that row has come again, so nothing is logged before what it rests on (rules, 12).
 */
@Component
public class LogClock {
    private final Clock machine;
    private final AtomicReference<Instant> last = new AtomicReference<>(Instant.MIN);

    LogClock(Clock machine) {
        this.machine = machine;
    }

    /** The later of the machine's clock and the last row. */
    public Instant instant() {
        return later(machine.instant(), Objects.requireNonNull(last.get()));
    }

    /** Hears of a row. */
    public void heard(Instant recordedAt) {
        last.accumulateAndGet(recordedAt, LogClock::later);
    }

    public static Instant later(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }
}

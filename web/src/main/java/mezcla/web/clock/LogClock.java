package mezcla.web.clock;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The present as the log counts it: never earlier than its last row. A machine's clock that was put back stands still
 * here until the time of that row has come again, so nothing is logged before what it rests on (rules, 12).
 */
@Component
public class LogClock {
    private static final Duration MAY_BE_BEHIND = Duration.ofSeconds(30);
    private static final Duration MAY_BE_AHEAD = Duration.ofDays(45);

    private final Clock machine;
    private final AtomicReference<Instant> last = new AtomicReference<>(Instant.MIN);
    private final AtomicReference<Instant> trusted = new AtomicReference<>(Instant.MIN);

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

    /**
     * What is odd about the machine's clock.
     *
     * @param machine what it shows
     * @param last when the last row was written
     */
    public record Odd(Instant machine, Instant last) {
        /** Whether it is earlier than the last row, rather than far ahead of it. */
        public boolean isBehind() {
            return machine.isBefore(last);
        }
    }

    /** What is odd about the machine's clock; null where it may be right, or a steward said that it is. */
    public @Nullable Odd odd() {
        Instant now = machine.instant();
        Instant row = Objects.requireNonNull(last.get());
        if (row.equals(Instant.MIN)) {
            return null;
        }
        boolean behind = now.isBefore(row.minus(MAY_BE_BEHIND));
        boolean ahead = now.isAfter(row.plus(MAY_BE_AHEAD)) && now.isAfter(Objects.requireNonNull(trusted.get()));
        return behind || ahead ? new Odd(now, row) : null;
    }

    /** A steward says that the clock is right. */
    public void trust() {
        trusted.set(machine.instant().plus(MAY_BE_AHEAD));
    }

    public static Instant later(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }
}

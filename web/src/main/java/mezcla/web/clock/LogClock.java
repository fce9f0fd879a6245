package mezcla.web.clock;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The present as the log counts it: never earlier than its last row, and no later than the machine's own running time
 * explains. A clock that was put forward is not followed until a steward says that it is right; one that was put back
 * stands still here until the time of the last row has come again (rules, 12).
 */
@Component
public class LogClock {
    private static final Duration MAY_BE_BEHIND = Duration.ofSeconds(30);
    private static final Duration MAY_JUMP = Duration.ofMinutes(2);
    private static final Duration MAY_REST = Duration.ofDays(31);

    private final Clock machine;
    private final RunningTime running;
    private Instant last = Instant.MIN;
    /** What the clock showed when it was last believed, and how long the machine had been running then. */
    private Instant believed;

    private Duration believedAt;
    private boolean farAheadAtStart;
    private boolean trusted;

    LogClock(Clock machine) {
        this.machine = machine;
        this.running = machine instanceof RunningTime own ? own : RunningTime.ofMachine();
        this.believed = machine.instant();
        this.believedAt = running.elapsed();
    }

    /** As at a start: how long the machine was off is not known. */
    final synchronized void begin() {
        believed = machine.instant();
        believedAt = running.elapsed();
        farAheadAtStart = false;
        trusted = false;
        last = Instant.MIN;
    }

    /** The later of the present and the last row. */
    public synchronized Instant instant() {
        return later(present(), last);
    }

    /** The present, whatever was written: what the machine shows, unless it jumped; then what its running time says. */
    public synchronized Instant present() {
        Instant shows = machine.instant();
        Duration now = running.elapsed();
        Instant expected = believed.plus(now.minus(believedAt));
        if (Duration.between(expected, shows).abs().compareTo(MAY_JUMP) > 0) {
            return expected;
        }
        believed = shows;
        believedAt = now;
        return shows;
    }

    /** Hears of a row. */
    public synchronized void heard(Instant recordedAt) {
        if (last.equals(Instant.MIN)) {
            farAheadAtStart = !trusted
                    && present().isAfter(later(recordedAt, Instant.EPOCH).plus(MAY_REST));
        }
        last = later(last, recordedAt);
    }

    /** Hears that rows were dated anew, and when the last of them was written. */
    public synchronized void datedAnew(Instant recordedAt) {
        last = recordedAt;
    }

    /** What can be odd about the machine's clock. */
    public enum Oddity {
        /** It was put forward or back while the machine was running. */
        JUMPED,
        /** It is earlier than the last row. */
        BEHIND,
        /** At the start it was more than a month later than the last row. */
        FAR_AHEAD
    }

    /**
     * What is odd about the machine's clock.
     *
     * @param oddity in which way
     * @param shows what it shows
     * @param other what it would show by the machine's running time, where it jumped; else when the last row was written
     */
    public record Odd(Oddity oddity, Instant shows, Instant other) {}

    /** What is odd about the machine's clock; null where it may be right, or a steward said that it is. */
    public synchronized @Nullable Odd odd() {
        Instant shows = machine.instant();
        Instant present = present();
        if (!present.equals(shows) && Duration.between(present, shows).abs().compareTo(MAY_JUMP) > 0) {
            return new Odd(Oddity.JUMPED, shows, present);
        }
        if (last.equals(Instant.MIN)) {
            return null;
        }
        if (present.isBefore(last.minus(MAY_BE_BEHIND))) {
            return new Odd(Oddity.BEHIND, shows, last);
        }
        return farAheadAtStart ? new Odd(Oddity.FAR_AHEAD, shows, last) : null;
    }

    /** A steward says that the clock is right. */
    public synchronized void trust() {
        believed = machine.instant();
        believedAt = running.elapsed();
        farAheadAtStart = false;
        trusted = true;
    }

    public static Instant later(Instant one, Instant other) {
        return one.isAfter(other) ? one : other;
    }
}

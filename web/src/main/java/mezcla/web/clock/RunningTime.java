package mezcla.web.clock;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;

/** How long the machine has been running, which goes on whatever its clock is set to. */
public interface RunningTime {
    /** Since some moment that stays the same; time in which the machine slept counts where the system counts it. */
    Duration elapsed();

    /** The machine's: what the system says of itself where it does, else what Java counts. */
    static RunningTime ofMachine() {
        return Files.isReadable(Machine.UPTIME) ? Machine::uptime : () -> Duration.ofNanos(System.nanoTime());
    }

    /** Where Linux says it: the first figure are seconds since it started, those in which it slept among them. */
    final class Machine {
        private static final Path UPTIME = Path.of("/proc/uptime");
        private static final double NANOS = 1e9;

        private Machine() {}

        private static Duration uptime() {
            try {
                String seconds = Files.readString(UPTIME).split(" ", 2)[0];
                return Duration.ofNanos(Math.round(Double.parseDouble(seconds) * NANOS));
            } catch (IOException | NumberFormatException unreadable) {
                throw new IllegalStateException(UPTIME + " cannot be read any more", unreadable);
            }
        }
    }
}

package mezcla.web.probe;

import java.time.Clock;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** How often probes send: once a second is more than any bath changes. */
final class ProbeRate {
    private static final int A_MINUTE = 90;
    private static final long SECONDS = 60;

    private final Clock clock;
    private final Map<Long, Sent> byProbe = new ConcurrentHashMap<>();

    ProbeRate(Clock clock) {
        this.clock = clock;
    }

    private record Sent(long minute, int times) {}

    /** Counts what a known probe sends; whether it is not too often. */
    boolean allows(long probe) {
        long minute = clock.instant().getEpochSecond() / SECONDS;
        Sent now = byProbe.compute(
                probe,
                (id, before) -> before == null || before.minute() != minute
                        ? new Sent(minute, 1)
                        : new Sent(minute, before.times() + 1));
        return now.times() <= A_MINUTE;
    }
}

package mezcla.web.access.secrets;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import mezcla.web.access.Unguessable;
import org.springframework.stereotype.Component;

/**
 * How often somebody tried to come in. Each try is counted before it is looked at, so that a hundred at once are not
 * all looked at; whoever was right is counted back. Nobody waits for more than seconds: what keeps a guesser from a password is
 * its length, and a wait that is long keeps out whoever knows it. What is remembered is bounded in number and time.
 */
@Component
public class Tries {
    private static final int REMEMBERED = 10_000;
    private static final int LONGEST_WAIT_S = 15;
    private static final int FIRST_WAIT_S = 5;
    private static final int MOST_DOUBLINGS = 10;
    private static final Duration FORGOTTEN_AFTER = Duration.ofHours(1);

    /** A clock that was put back by more than that makes nobody wait until it has caught up. */
    private static final Duration CLOCK_PUT_BACK = Duration.ofMinutes(1);

    private final Clock clock;
    private final Cache<String, Count> counts;

    Tries(Clock clock) {
        this.clock = clock;
        this.counts = Caffeine.newBuilder()
                .maximumSize(REMEMBERED)
                .expireAfterWrite(FORGOTTEN_AFTER)
                .ticker(() -> TimeUnit.MILLISECONDS.toNanos(clock.millis()))
                .executor(Runnable::run)
                .build();
    }

    /**
     * What tries are counted by.
     *
     * @param hash of a name, an address, a device
     * @param free how many may go wrong before one has to wait
     */
    public record Key(String hash, int free) {
        private static final int FREE = 5;
        private static final int FREE_FROM_AN_ADDRESS = 30;
        private static final int FREE_FOR_A_NAME = 50;

        /** Something that five wrong tries are free for, however long it is. */
        public static Key of(String what) {
            return new Key(Unguessable.hash(what.strip().toLowerCase(Locale.ROOT)), FREE);
        }

        /** A name from anywhere: strangers at many addresses. */
        public static Key ofName(String name) {
            return new Key(Unguessable.hash("name " + name.strip().toLowerCase(Locale.ROOT)), FREE_FOR_A_NAME);
        }

        /** An address, behind which there may be several people. */
        public static Key ofAddress(String address) {
            return new Key(Unguessable.hash("address " + address), FREE_FROM_AN_ADDRESS);
        }
    }

    private record Count(int wrong, Instant last) {
        boolean mustWait(int free, Instant now) {
            int beyond = wrong - free;
            long seconds =
                    beyond < 0 ? 0 : Math.min(LONGEST_WAIT_S, (long) FIRST_WAIT_S << Math.min(beyond, MOST_DOUBLINGS));
            return now.isBefore(last.plusSeconds(seconds));
        }
    }

    /** Counts a try by all of that; false where it has to wait, and is not looked at. */
    public synchronized boolean begin(Key... keys) {
        Instant now = clock.instant();
        if (Arrays.stream(keys).anyMatch(key -> count(key, now).mustWait(key.free(), now))) {
            return false;
        }
        for (Key key : keys) {
            counts.put(key.hash(), new Count(count(key, now).wrong() + 1, now));
        }
        return true;
    }

    private Count count(Key key, Instant now) {
        Count known = counts.getIfPresent(key.hash());
        return known == null || now.isBefore(known.last().minus(CLOCK_PUT_BACK)) ? new Count(0, now) : known;
    }

    /** The try was right: what went wrong before it is forgotten. */
    public synchronized void forget(Key key) {
        counts.invalidate(key.hash());
    }

    /** The try was right: it alone is counted back. */
    public synchronized void takeBack(Key key) {
        Count known = counts.getIfPresent(key.hash());
        if (known != null) {
            counts.put(key.hash(), new Count(Math.max(0, known.wrong() - 1), known.last()));
        }
    }

    long remembered() {
        counts.cleanUp();
        return counts.estimatedSize();
    }
}

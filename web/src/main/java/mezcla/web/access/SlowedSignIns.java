package mezcla.web.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AuthenticationFailureBadCredentialsEvent;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.stereotype.Component;

/**
 * Makes an account wait after repeated wrong passwords: that account alone, so that nobody else at the shared tablet
 * waits with it.
 */
@Component
class SlowedSignIns {
    private static final int FREE_TRIES = 5;
    private static final int LONGEST_WAIT_SECONDS = 300;

    private final Map<String, Failures> byName = new ConcurrentHashMap<>();
    private final Clock clock;

    SlowedSignIns(Clock clock) {
        this.clock = clock;
    }

    private record Failures(int count, Instant last) {
        Failures oneMore(Instant now) {
            return new Failures(count + 1, now);
        }

        Instant waitUntil() {
            int beyond = count - FREE_TRIES;
            long seconds = beyond < 0 ? 0 : Math.min(LONGEST_WAIT_SECONDS, 5L << Math.min(beyond, 10));
            return last.plus(Duration.ofSeconds(seconds));
        }
    }

    boolean mustWait(String signInName) {
        Failures failures = byName.get(key(signInName));
        return failures != null && clock.instant().isBefore(failures.waitUntil());
    }

    @EventListener
    void failed(AuthenticationFailureBadCredentialsEvent failure) {
        failed(failure.getAuthentication().getName());
    }

    /** Counts a wrong password or PIN. */
    void failed(String name) {
        Instant now = clock.instant();
        byName.compute(key(name), (key, before) -> (before == null ? new Failures(0, now) : before).oneMore(now));
    }

    @EventListener
    void succeeded(AuthenticationSuccessEvent success) {
        succeeded(success.getAuthentication().getName());
    }

    /** Forgets the wrong ones. */
    void succeeded(String name) {
        byName.remove(key(name));
    }

    private static String key(String signInName) {
        return signInName.strip().toLowerCase(Locale.ROOT);
    }
}

package mezcla.web.journey;

import com.microsoft.playwright.Page;
import java.time.Clock;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicLong;
import mezcla.web.clock.TestClock;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** The clock of the machine, which tests turn together with those of the browsers. */
@TestConfiguration
class TurnedClock {
    private static final AtomicLong AHEAD_MS = new AtomicLong();

    @Bean
    @Primary
    Clock turned() {
        return new TestClock(() -> Instant.now().plusMillis(AHEAD_MS.get()));
    }

    /** Time passes for the machine and for one browser. */
    static void turn(Page page, int milliseconds) {
        AHEAD_MS.addAndGet(milliseconds);
        page.clock().fastForward(milliseconds);
    }

    static void after(Page page, int seconds) {
        turn(page, seconds * 1000);
    }

    /** Presses Space, some time after whatever was pressed before. */
    static void press(Page page) {
        turn(page, 500);
        page.keyboard().press("Space");
    }

    /** How long that shows, in seconds. */
    static int seconds(String shown) {
        String[] parts = shown.replace("+", "").split(":");
        return Integer.parseInt(parts[0]) * 60 + Integer.parseInt(parts[1]);
    }
}

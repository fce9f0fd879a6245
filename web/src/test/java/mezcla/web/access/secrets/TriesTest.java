package mezcla.web.access.secrets;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.stream.IntStream;
import mezcla.web.clock.TestClock;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

public class TriesTest {
    private static final Tries.Key NAME = Tries.Key.of("name ines");

    private Instant now;
    private Tries tries;

    @BeforeMethod
    void begin() {
        now = Instant.parse("2026-03-01T18:00:00Z");
        tries = new Tries(new TestClock(() -> now));
    }

    private long looked(int times, Tries.Key... keys) {
        return IntStream.range(0, times)
                .parallel()
                .filter(i -> tries.begin(keys))
                .count();
    }

    @Test
    public void ofAHundredAtOnceFiveAreLookedAt() {
        assertThat(looked(100, NAME)).isEqualTo(5);
        now = now.plusSeconds(5);
        assertThat(looked(100, NAME)).isEqualTo(1);
        now = now.plusSeconds(9);
        assertThat(looked(1, NAME)).isZero();
        now = now.plusSeconds(1);
        assertThat(looked(1, NAME)).isEqualTo(1);
    }

    @Test
    public void waitsAreNoLongerThanSecondsAndAnHourForgets() {
        for (int i = 0; i < 40; i++) {
            looked(1, NAME);
            now = now.plusSeconds(15);
        }
        assertThat(looked(1, NAME)).isEqualTo(1);
        assertThat(looked(1, NAME)).isZero();
        now = now.plus(Duration.ofMinutes(61));
        assertThat(looked(100, NAME)).isEqualTo(5);
    }

    @Test
    public void anAddressHasRoomForSeveralPeople() {
        Tries.Key address = Tries.Key.ofAddress("192.168.7.20");
        long looked = IntStream.range(0, 100)
                .filter(i -> tries.begin(Tries.Key.of("name " + i), address))
                .count();
        assertThat(looked).isEqualTo(30);
        tries.takeBack(address);
        assertThat(looked(1, Tries.Key.of("another"), address)).isEqualTo(1);
    }

    @Test
    public void whoeverWasRightIsNotHeldUp() {
        looked(4, NAME);
        tries.forget(NAME);
        assertThat(looked(100, NAME)).isEqualTo(5);
    }

    @Test
    public void aClockThatIsPutBackMakesNobodyWait() {
        looked(10, NAME);
        now = now.minus(Duration.ofDays(7));
        assertThat(looked(100, NAME)).isEqualTo(5);
    }

    @Test
    public void whatIsRememberedIsBounded() {
        for (int i = 0; i < 12_000; i++) {
            looked(1, Tries.Key.of("x".repeat(100) + i));
        }
        assertThat(tries.remembered()).isEqualTo(10_000);
    }
}

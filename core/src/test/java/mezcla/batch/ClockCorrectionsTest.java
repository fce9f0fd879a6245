package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import mezcla.log.ClockCorrected;
import mezcla.log.EntryVoided;
import mezcla.log.Stamp;
import org.testng.annotations.Test;

/** Rows that were written under a wrong clock count from when they were really made. */
public class ClockCorrectionsTest {
    private static final Instant NOW = Instant.parse("2026-01-05T18:00:00Z");
    private static final long AHEAD = Duration.ofDays(400).toSeconds();
    private static final ClockCorrections CORRECTED =
            ClockCorrections.of(List.of(new ClockCorrected(at(9, NOW, NOW), 3, 5, AHEAD)));

    private static Stamp at(long sequence, Instant happened, Instant recorded) {
        return new Stamp(sequence, happened, recorded, "Ines", false);
    }

    private static Stamp ahead(long sequence) {
        return at(sequence, NOW.plusSeconds(AHEAD), NOW.plusSeconds(AHEAD));
    }

    @Test
    public void onlyRowsBetweenTheFirstAndTheLastMove() {
        assertThat(CORRECTED.counting(ahead(2))).isEqualTo(ahead(2));
        assertThat(CORRECTED.counting(ahead(3))).isEqualTo(at(3, NOW, NOW));
        assertThat(CORRECTED.counting(ahead(5))).isEqualTo(at(5, NOW, NOW));
        assertThat(CORRECTED.counting(ahead(6))).isEqualTo(ahead(6));
    }

    @Test
    public void aDayThatWasTypedStaysUnlessItIsStillToCome() {
        Instant yesterday = NOW.minus(Duration.ofDays(1));
        assertThat(CORRECTED.counting(at(4, yesterday, NOW.plusSeconds(AHEAD))).happenedAt())
                .isEqualTo(yesterday);
        assertThat(CORRECTED
                        .counting(at(4, NOW.plusSeconds(AHEAD - 3600), NOW.plusSeconds(AHEAD)))
                        .happenedAt())
                .isEqualTo(NOW.minusSeconds(3600));
    }

    @Test
    public void aClockThatWasBehindMovesForward() {
        ClockCorrections behind = ClockCorrections.of(List.of(new ClockCorrected(at(9, NOW, NOW), 3, 5, -AHEAD)));
        Stamp stamp = at(4, NOW.minusSeconds(AHEAD), NOW.minusSeconds(AHEAD));
        assertThat(behind.counting(stamp)).isEqualTo(at(4, NOW, NOW));
    }

    @Test
    public void aCorrectionThatWasVoidedMovesNothing() {
        ClockCorrections voided = ClockCorrections.of(List.of(
                new ClockCorrected(at(9, NOW, NOW), 3, 5, AHEAD), new EntryVoided(at(10, NOW, NOW), 9, "a mistake")));
        assertThat(voided.isEmpty()).isTrue();
        assertThat(voided.counting(ahead(4))).isEqualTo(ahead(4));
    }
}

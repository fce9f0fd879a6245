package mezcla.stress;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

/** A small share of what {@code bin/stress} does. */
public class StressTest {
    @Test
    public void aSmallShareBreaksNothing() throws Exception {
        try (Stress stress = new Stress(Stress.Size.SMALL)) {
            assertThat(stress.everything()).isEmpty();
        }
    }
}

package mezcla.web.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import java.util.Random;
import org.testng.annotations.Test;

public class PathDataTest {
    @Test
    public void numbersStandInTheirPlaces() {
        assertThat(PathData.of("M %s %s h %s Z", 1, -2.25, 0)).isEqualTo("M 1 -2.3 h 0 Z");
        assertThat(PathData.of("v 8")).isEqualTo("v 8");
        assertThat(PathData.of("L%s %sL%s", -0.04, 0.05, 119.96)).isEqualTo("L0 0.1L120");
    }

    @Test
    public void theyHaveOneDecimalAtMost() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            double number = (random.nextInt(40_000) - 20_000) / 100.0 + 0.001;
            assertThat(PathData.of("%s", number))
                    .isEqualTo(String.format(Locale.ROOT, "%.1f", number).replace(".0", ""));
        }
    }
}

package mezcla;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import mezcla.batch.StorageAge;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Caution;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.leaflet.SheetLines;
import mezcla.leaflet.Timing;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.processing.WarmUp;
import org.testng.annotations.Test;

/** Small rules that stand alone: figures as text, the order of baths, what warms with what. */
public class PrintedTextsTest {
    private static Timing tolerant(double leastC, double mostC) {
        return new Timing(200, 38, leastC, mostC, new Exhaustion.Fixed(), List.of(), List.of());
    }

    @Test
    public void rangesAndTolerancesAreWrittenAsTheyAreRead() {
        assertThat(SheetLines.range(new Range(12, 16))).isEqualTo("12–16");
        assertThat(SheetLines.range(new Range(42, 42))).isEqualTo("42");
        assertThat(SheetLines.tolerance(tolerant(37.7, 38.3))).isEqualTo("± 0.3 °C");
        assertThat(SheetLines.tolerance(tolerant(24, 41))).isEqualTo("24–41 °C");
        assertThat(SheetLines.tolerance(tolerant(37.756, 38.1))).isEqualTo("37.76–38.1 °C");
        assertThat(SheetLines.tolerance(tolerant(38, 38))).isEqualTo("± 0 °C");
    }

    @Test
    public void bathsStandInTheOrderOfUse() {
        Leaflet sheet = Leaflets.negative();
        assertThat(sheet.orderOf(sheet.bath("dev"))).isZero();
        assertThat(sheet.orderOf(sheet.bath("bx"))).isEqualTo(1);
        Bath other = Leaflets.slide().bath("cd");
        assertThat(sheet.orderOf(other)).as("none does the same").isEqualTo(2);
        Bath bleachFix = sheet.bath("bx");
        Bath elsewhere = new Bath(
                "another-key", bleachFix.role(), bleachFix.recipe(), bleachFix.timing(), 500, null, null, null, null);
        assertThat(sheet.orderOf(elsewhere)).as("what does the same").isEqualTo(1);
        assertThat(sheet.recipes().keySet()).containsExactly("dev", "bx");
        assertThat(sheet.withVersion(3).version()).isEqualTo(3);
        assertThat(sheet.withVersion(3).baths()).isEqualTo(sheet.baths());
    }

    @Test
    public void volumesAddUpAndCompare() {
        Volume half = Volume.ofMl(500);
        assertThat(half.plus(Volume.ofMl(250))).isEqualTo(Volume.ofMl(750));
        assertThat(half.in(Volume.Unit.L)).isEqualTo(0.5);
        assertThat(half.compareTo(Volume.ofMl(600))).isNegative();
        assertThat(half.compareTo(Volume.ofMl(400))).isPositive();
        assertThat(half).isEqualByComparingTo(Volume.ofMl(500));
    }

    @Test
    public void aFridgeIsTooCold() {
        assertThat(StorageAge.tooCold(9.9)).isTrue();
        assertThat(StorageAge.tooCold(10)).isFalse();
    }

    @Test
    public void bottlesWarmByWhatTheyAreMadeOf() {
        assertThat(WarmUp.usualWPerK(true, 1)).isEqualTo(6);
        assertThat(WarmUp.usualWPerK(false, 1)).isEqualTo(5);
        assertThat(WarmUp.usualWPerK(true, 0.5)).isEqualTo(3.5);
        assertThat(WarmUp.usualWPerK(false, 0.5)).isEqualTo(3.5);
        assertThat(WarmUp.higherC(38.3)).isCloseTo(39.8, within(1e-9));
    }

    @Test
    public void aBottlesOwnFigureComesFromTwoReadings() {
        double found = WarmUp.fitted(0.5, 40, 20, 30, 600);
        assertThat(found).isCloseTo(4186 * 0.5 * Math.log(2) / 600, within(1e-9));
        assertThat(WarmUp.fitted(1, 20, 40, 30, 600))
                .as("one that cools")
                .isCloseTo(4186 * Math.log(2) / 600, within(1e-9));
        double[][] wrong = {{40, 20, 30, 0}, {40, 40, 30, 600}, {40, 20, 40, 600}, {40, 20, 20, 600}, {40, 20, 45, 600}
        };
        for (double[] each : wrong) {
            assertThat(catchThrowableOfType(Refusal.class, () -> WarmUp.fitted(1, each[0], each[1], each[2], each[3]))
                            .code())
                    .isEqualTo("readings-do-not-fit");
        }
    }

    @Test
    public void labelsCarryWhatWhoeverTakesTheBottleHasToKnow() {
        Leaflet sheet = Leaflets.negative();
        assertThat(Caution.onLabel(sheet, sheet.bath("dev"))).containsExactly(Caution.SENSITISES);
        assertThat(Caution.onLabel(sheet, sheet.bath("bx"))).containsExactly(Caution.FIZZES, Caution.STAINS);
        assertThat(Caution.of(sheet, sheet.baths()))
                .contains(Caution.GLOVES_AND_EYES, Caution.KNOW_WHERE, Caution.AIR, Caution.ACID_INTO_WATER)
                .doesNotContain(Caution.MASK, Caution.FORMALDEHYDE);
    }

    @Test
    public void aProcessThatTheHouseNamesHasTheKeyOfItsName() {
        assertThat(FilmProcess.named("colour-slide", "Slides")).isEqualTo(FilmProcess.COLOUR_SLIDE);
        assertThat(FilmProcess.named("mono", "Monochrome").name()).isEqualTo("Monochrome");
        assertThat(FilmProcess.of("cine-negative")).isEqualTo(FilmProcess.CINE_NEGATIVE);
        Leaflet slide = Leaflets.slide();
        assertThat(FilmProcess.named("own", "Own").imageDeveloper(slide.baths(), Bath::role))
                .map(Bath::key)
                .contains("f1");
        assertThat(FilmProcess.CINE_NEGATIVE.imageDeveloper(slide.baths(), Bath::role))
                .map(Bath::key)
                .as("no first developer comes first with negatives")
                .contains("cd");
    }
}

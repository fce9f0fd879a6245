package mezcla.leaflet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import mezcla.leaflet.CriticalFigure.Kind;
import org.testng.annotations.Test;

/** Whatever a sheet prints is read a second time; what it does not print is not asked for. */
public class CriticalFigureTest {
    private static final Part PART = new Part("a", "Developer A", 100, Unit.ML, true, 730.0, 60.0, 90.0, null);
    private static final Part PLAIN = new Part("a", "Developer A", 100, Unit.ML, false, null, null, null, null);

    private static Leaflet sheet(Part part, Bath bath, List<ProcessStep> steps, List<PrintedExample> examples) {
        return new Leaflet(
                "sheet",
                1,
                "Sheet",
                "Maker",
                FilmProcess.COLOUR_NEGATIVE,
                null,
                1000,
                List.of(part),
                List.of(bath),
                steps,
                examples);
    }

    private static List<Kind> kinds(Leaflet sheet) {
        return CriticalFigure.of(sheet).stream().map(CriticalFigure::kind).toList();
    }

    @Test
    public void everyFigureOfAFullSheetIsReadTwice() {
        Bath bath = new Bath(
                "dev",
                BathRole.DEVELOPER,
                new Recipe(
                        Recipe.Mode.TOP_UP,
                        1000,
                        700,
                        new MixingTemperature(35.0, 38, 40.0),
                        List.of(new Addition("a", 100, Unit.ML, Addition.Care.NORMAL, 3, null, 50))),
                new Timing(
                        195,
                        195,
                        38,
                        37.7,
                        38.3,
                        true,
                        new Exhaustion.Steps(List.of(new Exhaustion.Step(6, 195), new Exhaustion.Step(12, 210))),
                        List.of(new Timing.Push(1, 1.3, 1)),
                        List.of(new Timing.TimeAt(30, 390))),
                1000,
                new Range(8, 12),
                new Range(28, 42),
                new Bath.OneShot(1, 4),
                180.0,
                new PrintedMovement(
                        PrintedMovement.Kind.INTERVALS,
                        PrintedMovement.Method.INVERT,
                        PrintedMovement.Method.INVERT,
                        30,
                        30,
                        5,
                        0));
        assertThat(kinds(sheet(
                        PART,
                        bath,
                        List.of(new ProcessStep(ProcessStep.Kind.BATH, "dev", null, null, null)),
                        List.of(new PrintedExample("dev", 4, 1, 195)))))
                .containsExactly(
                        Kind.KIT_MAKES,
                        Kind.KIT_AMOUNT,
                        Kind.SEALED,
                        Kind.OPENED,
                        Kind.IN_VIALS,
                        Kind.MAKES,
                        Kind.START_WATER,
                        Kind.MIXING,
                        Kind.AMOUNT,
                        Kind.WAIT,
                        Kind.WATER_AFTER,
                        Kind.TIME,
                        Kind.ROTARY,
                        Kind.TEMPERATURE,
                        Kind.TOLERANCE,
                        Kind.BANDS,
                        Kind.PUSH,
                        Kind.TABLE,
                        Kind.MOVEMENT,
                        Kind.ROLLS,
                        Kind.ROLLS_IN,
                        Kind.DAYS,
                        Kind.DILUTION,
                        Kind.STEPS,
                        Kind.EXAMPLES);
    }

    @Test
    public void whatIsNotPrintedIsNotAskedFor() {
        Bath bath = new Bath(
                "dev",
                BathRole.DEVELOPER,
                new Recipe(
                        Recipe.Mode.TOP_UP,
                        1000,
                        0,
                        null,
                        List.of(new Addition("a", 100, Unit.ML, Addition.Care.NORMAL, null, null))),
                new Timing(195, 195, 38, 37.7, 38.3, false, new Exhaustion.PerRoll(2), List.of(), List.of()),
                1000,
                null,
                null,
                null,
                null);
        assertThat(kinds(sheet(PLAIN, bath, List.of(), List.of())))
                .containsExactly(
                        Kind.KIT_MAKES,
                        Kind.KIT_AMOUNT,
                        Kind.MAKES,
                        Kind.AMOUNT,
                        Kind.TIME,
                        Kind.TEMPERATURE,
                        Kind.PER_ROLL);
    }
}

package mezcla.web.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.mixing.MixPlan;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.verdict.Evening;
import mezcla.verdict.RunPlan;
import mezcla.web.DemoApplicationTest;
import mezcla.web.answers.Planning;
import mezcla.web.drawing.plot.EveningDrawing;
import mezcla.web.drawing.plot.LifeWindowDrawing;
import mezcla.web.drawing.plot.RunDrawing;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;

public class DrawingTest extends DemoApplicationTest {
    private static final Instant BEGAN = Instant.parse("2026-02-01T07:00:00Z");

    @Autowired
    private DarkroomLog log;

    @Autowired
    private Planning planning;

    @Test
    public void notchesShowRollsOfThisBottle() {
        FillState developer = log.state().batch(4).fills().get(0);
        BottleDrawing drawing = BottleDrawing.of(developer, 23, 10);
        assertThat(drawing.notches()).hasSize(18);
        assertThat(drawing.notches().stream().filter(BottleDrawing.Notch::used)).hasSize(7);
        assertThat(drawing.letters()).isEqualTo("De");
        assertThat(drawing.text()).isEqualTo("Developer, 1165 of 1250 ml, 23 days old");
    }

    @Test
    public void liquidFallsWithTheVolume() {
        BatchState slides = log.state().batch(6);
        double left = BottleDrawing.of(slides.fills().get(0), 1, 0).liquidHeight();
        double full = BottleDrawing.of(slides.fills().get(1), 1, 0).liquidHeight();
        assertThat(left).isLessThan(full / 3);
    }

    @Test
    public void crateIsAsWideAsItsBottles() {
        CrateDrawing three = CrateDrawing.of(log.state().batch(4).fills(), List.of(1, 1, 1));
        CrateDrawing four = CrateDrawing.of(log.state().batch(3).fills(), List.of(1, 1, 1, 1));
        assertThat(four.width()).isGreaterThan(three.width());
        BottleDrawing last = four.bottles().get(3);
        assertThat(last.x() + BottleDrawing.WIDTH).isLessThan(four.width());
    }

    private static RunSteps steps(BatchState batch) {
        Map<String, Integer> seconds = new HashMap<>();
        batch.leaflet()
                .baths()
                .forEach(bath -> seconds.put(bath.key(), (int) bath.timing().baseSeconds()));
        return RunSteps.of(batch.leaflet(), seconds, RunSteps.Choices.USUAL);
    }

    private static RunProgress.Event poured(int step, long second) {
        return new RunProgress.Event(BEGAN.plusSeconds(second), RunProgress.Kind.POUR, step, 0);
    }

    @Test
    public void aRunIsDrawnAsPlannedAndAsItWentOnOneScale() {
        RunSteps steps = steps(log.state().batch(4));
        RunProgress progress = RunProgress.of(
                steps,
                List.of(
                        poured(0, 0),
                        poured(1, 90),
                        new RunProgress.Event(BEGAN.plusSeconds(102), RunProgress.Kind.MOVED, 1, 10),
                        poured(2, 290)));
        RunDrawing drawing = RunDrawing.of(steps, progress);
        assertThat(drawing.planned()).hasSize(5);
        assertThat(drawing.real()).hasSize(3);
        RunDrawing.Bar developer = drawing.real().get(1);
        RunDrawing.Bar planned = drawing.planned().get(1);
        assertThat(developer.x() / planned.x())
                .as("a minute was planned, it took one and a half")
                .isCloseTo(1.5, within(1e-9));
        assertThat(developer.late()).isCloseTo(planned.x() / 2, within(1e-9));
        assertThat(drawing.real().get(2).late()).isZero();
        assertThat(developer.ticks()).hasSize(1);
        assertThat(developer.missed()).hasSize(planned.ticks().size() - 1);
        RunDrawing.Bar last = drawing.planned().get(4);
        assertThat(last.x() + last.width()).isLessThanOrEqualTo(1200 + 1e-6);
    }

    @Test
    public void anEveningIsDrawnToScale() {
        RunSteps steps = steps(log.state().batch(4));
        RunPlan plan = planning.nextRoll(log.state().batch(4));
        Instant second = BEGAN.plusSeconds(3600);
        EveningDrawing drawing = EveningDrawing.of(
                new Evening(
                        BEGAN.minusSeconds(1800),
                        List.of(
                                new Evening.Load(plan, steps, BEGAN, BEGAN.plusSeconds(1800)),
                                new Evening.Load(plan, steps, second, second.plusSeconds(1800)))),
                ZoneOffset.UTC);
        assertThat(drawing.parts())
                .extracting(EveningDrawing.Part::kind)
                .containsExactly("warming", "load", "between", "load");
        assertThat(drawing.parts())
                .allSatisfy(part -> assertThat(part.width()).isCloseTo(EveningDrawing.WIDTH / 4, within(1e-6)));
        assertThat(drawing.hours()).extracting(LifeWindowDrawing.Mark::text).contains("07:00", "07:30");
        assertThat(drawing.text()).contains("load 2 from 08:00 to 08:30");
    }

    @Test
    public void jugLayersReachTheLineToTopUpTo() {
        Recipe recipe = new Recipe(
                Recipe.Mode.TOP_UP,
                1000,
                600,
                null,
                List.of(new Addition("a", 200, Unit.ML, Addition.Care.NORMAL, null, null)));
        JugDrawing jug = JugDrawing.of(MixPlan.of(recipe, 500, Map.of()));
        assertThat(jug.layers()).extracting(JugDrawing.Layer::kind).containsExactly("water", "part", "top-up");
        JugDrawing.Layer top = jug.layers().get(2);
        assertThat(top.y()).isCloseTo(jug.topUpY(), within(1e-9));
        assertThat(jug.marks()).isNotEmpty().allMatch(mark -> mark.ml() < 500);
    }
}

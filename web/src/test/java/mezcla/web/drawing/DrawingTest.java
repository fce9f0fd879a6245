package mezcla.web.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.Unit;
import mezcla.mixing.MixPlan;
import mezcla.web.DemoApplicationTest;
import mezcla.web.log.DarkroomLog;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;

public class DrawingTest extends DemoApplicationTest {
    @Autowired
    private DarkroomLog log;

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
        assertThat(jug.marks()).allMatch(mark -> mark.ml() < 500);
    }
}

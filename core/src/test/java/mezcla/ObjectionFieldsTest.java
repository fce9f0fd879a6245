package mezcla;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import mezcla.batch.BatchObjection;
import mezcla.leaflet.LeafletObjection;
import mezcla.leaflet.Unit;
import mezcla.log.LogObjection;
import mezcla.measure.FilmFormat;
import mezcla.measure.Objection;
import mezcla.mixing.MixingObjection;
import mezcla.processing.ProcessingObjection;
import mezcla.verdict.RunObjection;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Beside which field an objection stands, which of its sentences is said, and whether it can be passed. */
public class ObjectionFieldsTest {
    private TestLog log;

    @BeforeClass
    public void aBatch() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 500);
    }

    @DataProvider
    public Object[][] fields() {
        return new Object[][] {
            {"", new BatchObjection.UnknownBatch(9)},
            {"kit", new BatchObjection.UnknownKit(9)},
            {"bottle", new BatchObjection.UnknownFill(9)},
            {"", new BatchObjection.UnknownEntry(9)},
            {"when", new BatchObjection.BeforeMixing(TestLog.START)},
            {"when", new BatchObjection.InTheFuture()},
            {"bottle", new BatchObjection.BottleTaken("B1")},
            {"bottle", new BatchObjection.BottleTooSmall("B1", 500)},
            {"volume", new BatchObjection.BottleTooFull("B1", 100)},
            {"second", new BatchObjection.KitsDiffer()},
            {"code", new BatchObjection.NotACode("Q")},
            {"volumes", new LeafletObjection.BathsMissing()},
            {"route", new LeafletObjection.WasteKeptApart("bleach", "developers")},
            {"air", new LogObjection.GlassNotSqueezed("B1")},
            {"volume", new MixingObjection.MoreThanTheKitAllows("Part A", 400)},
            {"volume", new MixingObjection.PartRunsOut("Part A", 40, 30, Unit.ML)},
            {"volume", new MixingObjection.PartsExceedVolume(600, 500)},
            {"temperature", new ProcessingObjection.NoBathsTemperature(90)},
            {"push", new ProcessingObjection.PushOutsideLeaflet(3, -1, 2)},
            {"temperature", new ProcessingObjection.TemperatureOutsideLeaflet(30, 35, 40)},
            {"steps", new ProcessingObjection.CarbonBacking("dev")},
            {"steps", new ProcessingObjection.RinseNeeded()},
            {"steps", new ProcessingObjection.StepTooShort("bleach", 30)},
            {"tank", new ProcessingObjection.NoReelFor(FilmFormat.Reel.CINE)},
            {"tank", new ProcessingObjection.ReelsDoNotFit(Map.of())},
            {"second", new ProcessingObjection.ReadingsDoNotFit()},
            {"litres", new ProcessingObjection.TubEmpty()},
            {"push", new RunObjection.PushesDiffer()},
            {"film", new RunObjection.RollsMissing()},
        };
    }

    @Test(dataProvider = "fields")
    public void anObjectionStandsBesideWhatWasTyped(String field, Objection objection) {
        assertThat(objection.field()).isEqualTo(field);
        assertThat(objection.wording()).isEqualTo(objection.key());
        assertThat(objection.against()).isEqualTo(objection.key());
        assertThat(objection.canBePassed()).isFalse();
    }

    @Test
    public void thoseOfABottleStandBesideTheTankOrTheFilm() {
        var fill = log.state().fill(1);
        assertThat(new BatchObjection.InUse(fill, "Devi").field()).isEqualTo("tank");
        assertThat(new RunObjection.TooLittleForTank(fill, 300, 200, false).field())
                .isEqualTo("tank");
        RunObjection tooBig = new RunObjection.RunTooBig(fill, 4, 2);
        assertThat(tooBig.field()).isEqualTo("film");
        assertThat(tooBig.canBePassed()).isTrue();
    }

    @Test
    public void aOneShotThatIsTooSmallIsNotPassed() {
        TestLog slide = new TestLog();
        slide.kit(0, 1, Leaflets.slide(), 4000);
        slide.mix(0, 1, 1, 500);
        assertThat(new RunObjection.RunTooBig(slide.state().fill(1), 4, 2).canBePassed())
                .isFalse();
    }

    @Test
    public void whatIsAskedForAndMissingIsNamed() {
        List<Objection.OfNothing> missing = List.of(
                new BatchObjection.UnknownBatch(9),
                new BatchObjection.UnknownKit(9),
                new BatchObjection.UnknownFill(9),
                new BatchObjection.UnknownEntry(9));
        assertThat(missing).extracting(Objection.OfNothing::asked).containsOnly("9");
        assertThat(new LeafletObjection.UnknownBath("dev").asked()).isEqualTo("dev");
        assertThat(new LeafletObjection.UnknownPart("a").asked()).isEqualTo("a");
    }

    @Test
    public void anEmptyOrFullVesselHasASentenceOfItsOwn() {
        assertThat(new BatchObjection.BottleTooFull("B1", 0.9).wording()).isEqualTo("bottle-is-full");
        assertThat(new BatchObjection.BottleTooFull("B1", 1).wording()).isEqualTo("bottle-too-full");
        assertThat(new MixingObjection.MoreThanTheKitAllows("A", 0.9).wording()).isEqualTo("part-has-run-out");
        assertThat(new MixingObjection.MoreThanTheKitAllows("A", 1).wording()).isEqualTo("more-than-the-kit-allows");
        assertThat(new ProcessingObjection.PushOutsideLeaflet(1, 0, 0).wording())
                .isEqualTo("push-not-printed");
        assertThat(new ProcessingObjection.PushOutsideLeaflet(1, -1, 0).wording())
                .isEqualTo("push-outside-leaflet");
    }
}

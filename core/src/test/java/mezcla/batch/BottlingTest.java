package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.leaflet.BathRole;
import mezcla.log.BatchMixed;
import mezcla.log.Bottle;
import mezcla.log.MixedFill;
import mezcla.mixing.BatchPlan;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Which bottle a bath goes into: what it held last is known (rules, 3.5). */
public class BottlingTest {
    private static final Bottle FIRST = new Bottle(11, "A1", 1000, Bottle.Material.GLASS);
    private static final Bottle SECOND = new Bottle(12, "A2", 1000, Bottle.Material.GLASS);
    private static final Bottle UNUSED = new Bottle(13, "A3", 1000, Bottle.Material.GLASS);
    private static final List<Bottle> OWNED = List.of(FIRST, SECOND, UNUSED);

    private TestLog log;

    @BeforeMethod
    public void aBatchThatWasPouredAway() {
        log = new TestLog();
        log.add(1, stamp -> new BatchMixed(stamp, 1, "Earlier", List.of(fill(1, "bx", FIRST), fill(2, "dev", SECOND))));
        log.discard(2, 1, 1);
        log.discard(2, 1, 2);
    }

    private static MixedFill fill(long id, String bath, Bottle bottle) {
        return new MixedFill(id, Leaflets.negative(), bath, 500, "500 ml", bottle, List.of(), null);
    }

    @Test
    public void whatABottleHeldLastIsKnown() {
        Bottling shelf = Bottling.beside(log.state());
        assertThat(shelf.lastHeld(FIRST)).hasValue(BathRole.BLEACH_FIX);
        assertThat(shelf.lastHeld(SECOND)).hasValue(BathRole.DEVELOPER);
        assertThat(shelf.lastHeld(UNUSED)).isEmpty();
        assertThat(shelf.suits(FIRST, BathRole.DEVELOPER)).isFalse();
        assertThat(shelf.suits(FIRST, BathRole.BLEACH_FIX)).isTrue();
        assertThat(shelf.suits(SECOND, BathRole.BLEACH_FIX)).isTrue();
        assertThat(shelf.suits(UNUSED, BathRole.DEVELOPER)).isTrue();
    }

    @Test
    public void theOneThatHeldTheSameComesFirstAndTheSpoiledOneLast() {
        Bottling shelf = Bottling.beside(log.state());
        assertThat(shelf.freeFor(500, BathRole.DEVELOPER, OWNED)).containsExactly(SECOND, UNUSED, FIRST);
        assertThat(shelf.freeFor(500, BathRole.BLEACH_FIX, OWNED)).containsExactly(FIRST, SECOND, UNUSED);
        assertThat(shelf.freeFor(1001, BathRole.DEVELOPER, OWNED)).isEmpty();
        log.add(3, stamp -> new BatchMixed(stamp, 2, "Later", List.of(fill(3, "dev", FIRST))));
        log.discard(4, 2, 3);
        assertThat(Bottling.beside(log.state()).suits(FIRST, BathRole.DEVELOPER))
                .as("what it held last counts")
                .isTrue();
    }

    @Test
    public void aBathMayStayInTheBottleItCameIn() {
        Bottle own = Bottle.itsOwn(500);
        log.add(3, stamp -> new BatchMixed(stamp, 2, "Ready", List.of(fill(3, "bx", own))));
        Bottling shelf = Bottling.beside(log.state());
        shelf.take(own, 500);
        shelf.take(own, 400);
        assertThat(own.cameFull()).isTrue();
        assertThat(FIRST.cameFull()).isFalse();
    }

    /** The developer takes the bottle that is left for it, though the bleach-fix chooses first. */
    @Test
    public void eachBathOfAPlanTakesTheBestBottleThatIsLeft() {
        log.kit(3, 1, Leaflets.negative(), 4000);
        List<BatchPlan.PlannedBath> baths = log.state().kit(1).plan(500).baths();
        Bottling shelf = Bottling.beside(log.state());
        assertThat(shelf.isFree(SECOND)).isTrue();
        Bottling.Chosen chosen = shelf.choose(baths, OWNED);
        assertThat(chosen.bottles()).containsExactly(entry("dev", SECOND), entry("bx", FIRST));
        assertThat(chosen.missing()).isEmpty();
        assertThat(shelf.isFree(SECOND)).isFalse();
        assertThat(shelf.isFree(UNUSED)).isTrue();
        Bottling.Chosen none = shelf.choose(baths, List.of(FIRST, SECOND));
        assertThat(none.bottles()).isEmpty();
        assertThat(none.missing()).containsExactly(500.0, 500.0);
        assertThat(baths).noneMatch(BatchPlan.PlannedBath::mayStay);
        Bottling spoiled = Bottling.beside(log.state());
        assertThat(spoiled.choose(baths, List.of(FIRST)).bottles())
                .as("a bottle that held bleach-fix is none for a developer")
                .containsExactly(entry("bx", FIRST));
    }
}

package mezcla.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmStage;
import mezcla.log.RunLogged;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Film that belongs together: found by what it is called, by whom, and what it goes through. */
public class KeptAlikeTest {
    private TestLog log;

    @BeforeMethod
    public void aWedding() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 4, 1, 1000);
        drop(1, "colour-negative", "Ines", true, "Wedding");
        drop(2, "colour-negative", "Ines", false, " wedding ");
        drop(3, "colour-negative", "Devi", true, "Wedding");
        drop(4, "colour-slide", "Ines", true, "Wedding");
        drop(5, "colour-negative", "Ines", true, null);
        drop(6, "colour-negative", "Ines", true, "wedding");
    }

    private void drop(long id, String process, String by, boolean here, String alike) {
        log.add(1, stamp -> new FilmDropped(stamp, id, TestLog.roll(0), process, by, null, here, alike));
    }

    private List<QueuedFilm> all() {
        return QueuedFilm.of(log.entries());
    }

    private KeptAlike wedding() {
        return KeptAlike.with(all().get(0), all()).orElseThrow();
    }

    @Test
    public void itIsFoundByNameWhoeverBroughtItAndItsProcess() {
        assertThat(wedding().films()).extracting(QueuedFilm::id).containsExactly(1L, 2L, 6L);
        assertThat(wedding().name()).isEqualTo("Wedding");
        assertThat(KeptAlike.with(all().get(4), all())).isEmpty();
        log.add(2, stamp -> new FilmHandled(stamp, List.of(6L), FilmStage.WITHDRAWN));
        assertThat(wedding().films()).extracting(QueuedFilm::id).containsExactly(1L, 2L);
    }

    @Test
    public void itWaitsForWhatIsToBringAndForTheBatchThatTookSomeOfIt() {
        assertThat(wedding().toBring()).extracting(QueuedFilm::id).containsExactly(2L);
        assertThat(wedding().begun()).isEmpty();
        log.add(2, stamp -> new FilmHandled(stamp, List.of(2L), FilmStage.HERE));
        assertThat(wedding().toBring()).isEmpty();
        log.add(
                3,
                stamp -> new RunLogged(
                        stamp, 4, List.of(TestLog.roll(0).queuedAs(6L)), List.of(), 300, List.of(), null));
        assertThat(wedding().begun()).map(QueuedFilm::batch).contains(4L);
    }

    @Test
    public void aRunIsAlikeThroughTheSameBatchAndAsWarm() {
        assertThat(KeptAlike.isAlike(4, 38.0, 4, 38.04)).isTrue();
        assertThat(KeptAlike.isAlike(4, 38.0, 4, 38.1)).isFalse();
        assertThat(KeptAlike.isAlike(4, 38.0, 5, 38.0)).isFalse();
        assertThat(KeptAlike.isAlike(4, null, 4, 38.1)).as("nobody measured").isTrue();
        assertThat(KeptAlike.isAlike(4, 38.0, 4, null)).isTrue();
    }
}

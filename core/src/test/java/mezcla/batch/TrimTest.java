package mezcla.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import mezcla.Leaflets;
import mezcla.TestLog;
import mezcla.log.FillInspected;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.RunLogged;
import mezcla.log.Suspect;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A developer's own correction goes by tank loads, stays within bounds, and goes with the looks that it rests on. */
public class TrimTest {
    private TestLog log;

    @BeforeMethod
    public void aBatch() {
        log = new TestLog();
        log.kit(0, 1, Leaflets.negative(), 4000);
        log.mix(0, 1, 1, 1000);
    }

    private FilmInspected look(RunLogged run, int roll, Finding result, Suspect... suspects) {
        return log.add(
                9,
                stamp -> new FilmInspected(
                        stamp, 1, run.stamp().sequence(), roll, List.of(1L, 2L), result, Set.of(suspects), null));
    }

    private double trim() {
        return log.state().fill(1).trimPercent();
    }

    @Test
    public void threeLooksAtOneTankCorrectOnce() {
        RunLogged run = log.run(1, 1, 3, 1L, 2L);
        for (int roll = 0; roll < 3; roll++) {
            look(run, roll, Finding.THIN, Suspect.CHEMISTRY);
        }
        assertThat(trim()).isEqualTo(4);
        assertThat(log.state().fill(2).trimPercent()).as("the bleach-fix").isZero();
    }

    @Test
    public void howeverManyAreDenseSomeTimeIsLeft() {
        for (int i = 0; i < 26; i++) {
            look(log.run(1 + i * 0.1, 1, 1, 1L, 2L), 0, Finding.DENSE, Suspect.CHEMISTRY);
        }
        assertThat(trim()).isEqualTo(Trim.LEAST_PERCENT);
    }

    @Test
    public void aVoidTakesItsCorrectionWithIt() {
        RunLogged run = log.run(1, 1, 2, 1L, 2L);
        FilmInspected thin = look(run, 0, Finding.THIN, Suspect.CHEMISTRY);
        assertThat(trim()).isEqualTo(4);
        log.voidEntry(thin.stamp().sequence());
        assertThat(trim()).isZero();
    }

    @Test
    public void theLatestLookAtARollStandsAndOtherCausesDoNotCount() {
        RunLogged run = log.run(1, 1, 2, 1L, 2L);
        look(run, 0, Finding.THIN, Suspect.CHEMISTRY);
        look(run, 0, Finding.GOOD);
        assertThat(trim()).isZero();
        look(run, 1, Finding.DENSE, Suspect.EXPOSURE);
        assertThat(trim()).isZero();
        log.add(9.5, stamp -> new FillInspected(stamp, 1, Finding.THIN, true));
        assertThat(trim()).as("a clip test").isEqualTo(4);
    }

    @Test
    public void noOrderOfLooksChangesIt() {
        Random random = new Random(20);
        List<RunLogged> runs = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            runs.add(log.run(1 + i, 1, 1, 1L, 2L));
        }
        List<Finding> findings = runs.stream()
                .map(run -> random.nextBoolean() ? Finding.THIN : Finding.DENSE)
                .toList();
        for (int i = runs.size() - 1; i >= 0; i--) {
            look(runs.get(i), 0, findings.get(i), Suspect.CHEMISTRY);
        }
        assertThat(trim())
                .isEqualTo(Trim.percent(findings.stream().map(List::of).toList()));
    }
}

package mezcla.web.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.web.DemoApplicationTest;
import mezcla.web.shell.Members;
import mezcla.web.shell.SignedIn;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DarkroomLogTest extends DemoApplicationTest {
    @Autowired
    private DarkroomLog log;

    @Autowired
    private Members members;

    @Autowired
    private TransactionTemplate transactions;

    @Autowired
    private JdbcClient sql;

    private SignedIn ines;

    @BeforeMethod
    public void signIn() {
        ines = (SignedIn) members.loadUserByUsername("INES");
    }

    @Test
    public void everyKindOfRowIsReadAsItWasWritten() {
        LogEntry.BatchMixed mix = (LogEntry.BatchMixed) log.entries().stream()
                .filter(LogEntry.BatchMixed.class::isInstance)
                .findFirst()
                .orElseThrow();
        long fill = mix.fills().get(0).fillId();
        Instant then = mix.stamp().happenedAt().plusMillis(3_600_678);
        List<LogEntry> written = transactions.execute(status -> List.of(
                log.add(ines, then, true, stamp -> new LogEntry.FillSpilled(stamp, fill, 12.5)),
                log.add(
                        ines,
                        then,
                        false,
                        stamp -> new LogEntry.FillToppedUp(
                                stamp, fill, 20, List.of(new LogEntry.PartUse(7, "dev-b", 1.5, 0.01)))),
                log.add(ines, stamp -> new LogEntry.FillInspected(stamp, fill, LogEntry.Result.DENSE, true, -4)),
                log.add(ines, stamp -> new LogEntry.FillMeasured(stamp, fill, 333)),
                log.add(ines, stamp -> new LogEntry.FillBarred(stamp, fill, "smells")),
                log.add(ines, stamp -> new LogEntry.BarLifted(stamp, fill, "fine")),
                log.add(ines, stamp -> new LogEntry.PartOpened(stamp, 7, "dev-b")),
                log.add(ines, stamp -> new LogEntry.EntryVoided(stamp, stamp.sequence() - 1, "mistake"))));
        List<LogEntry> all = log.entries();
        assertThat(all.subList(all.size() - written.size(), all.size()))
                .usingRecursiveComparison()
                .ignoringFields("stamp.recordedAt", "stamp.happenedAt")
                .isEqualTo(written);
        assertThat(all.get(all.size() - written.size()).stamp().happenedAt()).isEqualTo(then);
    }

    @Test
    public void mixesRunsAndDiscardsKeepWhatTheyMeant() {
        LogState state = log.state();
        assertThat(state.batches()).hasSize(7);
        LogEntry.RunLogged run = state.batch(1).runs().get(2);
        assertThat(run.rolls()).extracting(roll -> roll.format().label()).containsExactly("135-36", "120", "120");
        assertThat(run.rolls())
                .allMatch(roll -> roll.stops() == 1 && roll.owner().equals("Ines"));
        assertThat(run.baths()).hasSize(3);
        assertThat(state.batch(1).ended()).isTrue();
        assertThat(state.kit(3).shares()).hasSize(4);
    }

    @DataProvider
    public Object[][] changes() {
        return new Object[][] {
            {"UPDATE log_entry SET happened_at = '2020-01-01T00:00:00.000Z'"},
            {"DELETE FROM log_entry"},
            {"UPDATE run_bath SET seconds = 1"},
            {"DELETE FROM part_use"},
            {"UPDATE leaflet_version SET document = '{}'"},
        };
    }

    @Test(dataProvider = "changes")
    public void rowsOfTheLogCannotBeChanged(String change) {
        assertThatThrownBy(() -> sql.sql(change).update()).hasMessageContaining("only ever added");
    }
}

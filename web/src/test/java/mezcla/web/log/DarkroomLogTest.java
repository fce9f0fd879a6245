package mezcla.web.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import mezcla.batch.AirKept;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.batch.Place;
import mezcla.batch.Sign;
import mezcla.batch.WasteRoute;
import mezcla.measure.FilmFormat;
import mezcla.web.DemoApplicationTest;
import mezcla.web.shell.Members;
import mezcla.web.shell.SignedIn;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
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
        LogEntry.BatchMixed mix = (LogEntry.BatchMixed) log.book().entries().stream()
                .filter(LogEntry.BatchMixed.class::isInstance)
                .findFirst()
                .orElseThrow();
        long fill = mix.fills().get(0).fillId();
        List<LogEntry.Roll> film = List.of(new LogEntry.Roll("Ines", FilmFormat.F120, 1, 0, true));
        Instant then = mix.stamp().happenedAt().plusMillis(3_600_678);
        long anyRun = log.state().batch(5).runs().get(0).stamp().sequence();
        List<LogEntry> all = new ArrayList<>();
        List<LogEntry> written = transactions.execute(status -> {
            List<LogEntry> rows = List.of(
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
                    log.add(ines, stamp -> new LogEntry.FillShared(stamp, 7, fill)),
                    log.add(
                            ines,
                            stamp -> new LogEntry.FillMoved(
                                    stamp,
                                    fill,
                                    mix.fills().get(0).bottle(),
                                    new Place(1, "Cold shelf"),
                                    AirKept.INERT_GAS)),
                    log.add(
                            ines,
                            stamp -> new LogEntry.FillMoved(
                                    stamp, fill, mix.fills().get(1).bottle(), null, AirKept.NOTHING)),
                    log.add(
                            ines,
                            stamp -> new LogEntry.LimitOverridden(
                                    stamp, fill, List.of("over-age", "over-rolls"), "strips")),
                    log.add(
                            ines,
                            stamp -> new LogEntry.LeafletCorrected(
                                    stamp,
                                    List.of(fill, fill + 1),
                                    mix.fills().get(0).leaflet(),
                                    "misread")),
                    log.add(ines, stamp -> new LogEntry.NoteLeft(stamp, 7, "rinse in between")),
                    log.add(ines, stamp -> new LogEntry.RunStarted(stamp, 7, film, List.of(bath(fill, null)), 300)),
                    log.add(
                            ines,
                            stamp -> new LogEntry.RunLogged(
                                    stamp,
                                    7,
                                    film,
                                    List.of(bath(fill, 38.5)),
                                    300,
                                    List.of("run-too-big"),
                                    stamp.sequence() - 1)),
                    log.add(ines, stamp -> new LogEntry.RunStarted(stamp, 7, film, List.of(bath(fill, null)), 300)),
                    log.add(ines, stamp -> new LogEntry.RunCalledOff(stamp, stamp.sequence() - 1, "wrong tank")),
                    log.add(ines, stamp -> new LogEntry.BathRenewed(stamp, 7, adopted(log.newFill(), mix))),
                    log.add(
                            ines,
                            stamp -> new LogEntry.KitArrived(
                                    stamp,
                                    log.newKit(),
                                    mix.fills().get(0).leaflet(),
                                    Money.parse("NZD 12.50"),
                                    Money.parse("NZD 1.00"),
                                    "lot 7",
                                    List.of("dev-a", "dev-b"),
                                    new LogEntry.Bought(Money.parse("NZD 0.75"), "ask twice", "Bram"))),
                    log.add(
                            ines,
                            stamp -> new LogEntry.FilmInspected(
                                    stamp,
                                    7,
                                    anyRun,
                                    1,
                                    List.of(fill, fill + 1),
                                    LogEntry.Result.HEAVY_CAST,
                                    Set.of(LogEntry.Suspect.CHEMISTRY, LogEntry.Suspect.SCAN),
                                    -4.0,
                                    "green")),
                    log.add(ines, stamp -> new LogEntry.BathLooked(stamp, fill, Sign.CRYSTALS, null)),
                    log.add(ines, stamp -> new LogEntry.FillSeen(stamp, fill)),
                    log.add(ines, stamp -> new LogEntry.PartDecanted(stamp, 7, "dev-b", 4)),
                    log.add(ines, stamp -> new LogEntry.PartCorrected(stamp, 7, "dev-b", 41.5, "looked")),
                    log.add(
                            ines,
                            stamp -> new LogEntry.PartThrownAway(
                                    stamp, 7, "dev-b", 1.5, WasteRoute.DEVELOPERS, "brown")),
                    log.add(ines, stamp -> new LogEntry.PartMoved(stamp, 7, "dev-b", 6, 40)),
                    log.add(ines, stamp -> new LogEntry.EntryVoided(stamp, stamp.sequence() - 1, "mistake")));
            all.addAll(log.book().entries());
            status.setRollbackOnly();
            return rows;
        });
        assertThat(all.subList(all.size() - written.size(), all.size()))
                .usingRecursiveComparison()
                .ignoringFields("stamp.recordedAt", "stamp.happenedAt")
                .isEqualTo(written);
        assertThat(all.get(all.size() - written.size()).stamp().happenedAt()).isEqualTo(then);
    }

    private static LogEntry.RunBath bath(long fill, @Nullable Double celsius) {
        return new LogEntry.RunBath(fill, 215, 1, 5, 0, celsius);
    }

    private static LogEntry.MixedFill adopted(long fill, LogEntry.BatchMixed mix) {
        LogEntry.MixedFill like = mix.fills().get(0);
        return new LogEntry.MixedFill(
                fill,
                like.leaflet(),
                like.bathKey(),
                500,
                "500",
                like.bottle(),
                List.of(),
                new LogEntry.Before(mix.stamp().happenedAt(), 3.5));
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
        assertThat(state.kit(3).shares()).hasSize(5);
    }

    @DataProvider
    public Object[][] changes() {
        return new Object[][] {
            {"UPDATE log_entry SET happened_at = '2020-01-01T00:00:00.000Z'"},
            {"DELETE FROM log_entry"},
            {"UPDATE run_bath SET seconds = 1"},
            {"DELETE FROM part_use"},
            {"DELETE FROM mix_tick"},
            {"UPDATE mix_begun SET name = 'other'"},
            {"UPDATE mix_bath SET volume_ml = 1"},
            {"UPDATE leaflet_version SET document = '{}'"},
        };
    }

    @Test(dataProvider = "changes")
    public void rowsOfTheLogCannotBeChanged(String change) {
        assertThatThrownBy(() -> sql.sql(change).update()).hasMessageContaining("only ever added");
    }
}

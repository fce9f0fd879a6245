package mezcla.web.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import mezcla.batch.LogState;
import mezcla.log.RunLogged;
import mezcla.web.DemoApplicationTest;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
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
    public void mixesRunsAndDiscardsKeepWhatTheyMeant() {
        LogState state = log.state();
        assertThat(state.batches()).hasSize(7);
        RunLogged run = state.batch(1).runs().get(2);
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
            {"UPDATE log_entry SET body = '{}'"},
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

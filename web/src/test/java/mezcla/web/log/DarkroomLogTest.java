package mezcla.web.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import mezcla.batch.LogState;
import mezcla.log.NoteLeft;
import mezcla.log.RunLogged;
import mezcla.web.DemoApplicationTest;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import org.apache.ibatis.executor.Executor;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.plugin.Interceptor;
import org.apache.ibatis.plugin.Intercepts;
import org.apache.ibatis.plugin.Invocation;
import org.apache.ibatis.plugin.Signature;
import org.apache.ibatis.session.ResultHandler;
import org.apache.ibatis.session.RowBounds;
import org.apache.ibatis.session.SqlSessionFactory;
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

    @Autowired
    private SqlSessionFactory sessions;

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

    /** Counts the rows of the log that are read. */
    @Intercepts(
            @Signature(
                    type = Executor.class,
                    method = "query",
                    args = {MappedStatement.class, Object.class, RowBounds.class, ResultHandler.class}))
    public static class RowsRead implements Interceptor {
        private final AtomicInteger rows = new AtomicInteger();

        @Override
        public Object intercept(Invocation invocation) throws Throwable {
            Object answer = invocation.proceed();
            MappedStatement statement = (MappedStatement) invocation.getArgs()[0];
            if (statement.getId().equals(LogMapper.class.getName() + ".after")) {
                rows.addAndGet(((List<?>) answer).size());
            }
            return answer;
        }
    }

    @Test
    public void longListIsWrittenWithoutReadingItsOwnLinesAgain() {
        log.state();
        RowsRead counted = new RowsRead();
        sessions.getConfiguration().addInterceptor(counted);
        int many = 50;
        transactions.executeWithoutResult(status -> {
            for (int i = 0; i < many; i++) {
                log.add(ines, stamp -> new NoteLeft(stamp, 4, "a line of a list"));
            }
            status.setRollbackOnly();
        });
        assertThat(counted.rows.get()).isLessThanOrEqualTo(2 * many);
    }
}

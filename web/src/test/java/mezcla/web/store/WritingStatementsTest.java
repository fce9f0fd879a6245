package mezcla.web.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import mezcla.web.DemoApplicationTest;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.session.SqlSessionFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;

/** What was read in a transaction is remembered in it; what writes and answers is asked anew each time. */
public class WritingStatementsTest extends DemoApplicationTest {
    @Autowired
    private SqlSessionFactory sessions;

    @Test
    public void whatWritesForgetsWhatWasRead() {
        Collection<?> all = sessions.getConfiguration().getMappedStatements();
        List<MappedStatement> writing = all.stream()
                .filter(MappedStatement.class::isInstance)
                .map(MappedStatement.class::cast)
                .filter(each -> !isAsking(each))
                .toList();
        assertThat(writing).hasSizeGreaterThan(30);
        assertThat(writing)
                .allSatisfy(each ->
                        assertThat(each.isFlushCacheRequired()).as(each.getId()).isTrue());
    }

    private static boolean isAsking(MappedStatement statement) {
        String sql = statement.getSqlSource().getBoundSql(Map.of()).getSql().strip();
        return sql.toUpperCase(Locale.ROOT).startsWith("SELECT") || sql.startsWith("WITH");
    }
}

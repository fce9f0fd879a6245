package mezcla.web.store;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.datasource.LazyConnectionDataSourceProxy;

/**
 * The one file, through the connection that writes or those that read. When it is closed, everything that was written
 * stands in the file itself, and nothing in files beside it: whoever copies a stopped house copies all of it.
 */
class Store extends LazyConnectionDataSourceProxy implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Store.class);

    private final HikariDataSource writer;
    private final HikariDataSource readers;

    Store(HikariDataSource writer, HikariDataSource readers) {
        super(writer);
        this.writer = writer;
        this.readers = readers;
        setReadOnlyDataSource(readers);
    }

    @Override
    public void close() {
        readers.close();
        try (Connection last = writer.getConnection();
                Statement gather = last.createStatement()) {
            gather.execute("PRAGMA wal_checkpoint(TRUNCATE)");
        } catch (SQLException e) {
            LOG.warn("What was written last stays beside the file until the next start: {}", e.getMessage());
        }
        writer.close();
    }
}

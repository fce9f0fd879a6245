package mezcla.web.store;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.LazyConnectionDataSourceProxy;

/**
 * The one SQLite file: a single connection writes, so that two members saving at once take turns; a few others read,
 * for transactions marked read-only.
 */
@Configuration
class StoreConfiguration {
    private static final int READERS = 4;

    @Bean
    DataSource dataSource(@Value("${mezcla.store.url}") String url, @Value("${mezcla.data}") Path folder)
            throws IOException {
        Files.createDirectories(folder);
        LazyConnectionDataSourceProxy store = new LazyConnectionDataSourceProxy(writer(url));
        store.setReadOnlyDataSource(readers(url));
        store.setDefaultAutoCommit(true);
        store.setDefaultTransactionIsolation(Connection.TRANSACTION_SERIALIZABLE);
        return store;
    }

    private static HikariDataSource writer(String url) {
        HikariDataSource writer = new HikariDataSource();
        writer.setPoolName("writer");
        writer.setJdbcUrl(url + "&transaction_mode=IMMEDIATE");
        writer.setMaximumPoolSize(1);
        return writer;
    }

    private static HikariDataSource readers(String url) {
        HikariDataSource readers = new HikariDataSource();
        readers.setPoolName("readers");
        readers.setJdbcUrl(url);
        readers.setConnectionInitSql("PRAGMA query_only = 1");
        readers.setMaximumPoolSize(READERS);
        return readers;
    }
}

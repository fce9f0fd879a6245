package mezcla.web.store;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import javax.sql.DataSource;
import org.apache.ibatis.session.SqlSessionFactory;
import org.mybatis.spring.MyBatisExceptionTranslator;
import org.mybatis.spring.SqlSessionTemplate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.support.SQLExceptionSubclassTranslator;
import org.springframework.transaction.PlatformTransactionManager;

/**
 * The one SQLite file: a single connection writes, so that two members saving at once take turns; a few others read,
 * for transactions marked read-only.
 */
@Configuration
class StoreConfiguration {
    private static final int READERS = 4;

    @Bean
    Store dataSource(@Value("${mezcla.store.url}") String url, @Value("${mezcla.data}") Path folder)
            throws IOException {
        open(folder);
        Store store = new Store(writer(url), readers(url));
        store.setDefaultAutoCommit(true);
        store.setDefaultTransactionIsolation(Connection.TRANSACTION_SERIALIZABLE);
        return store;
    }

    @Bean
    PlatformTransactionManager transactionManager(DataSource store, StoreGuard guard) {
        return new HouseTransactions(store, guard);
    }

    /** Failures are told apart without another connection: there may be none to ask with when one has failed. */
    @Bean
    SqlSessionTemplate statements(SqlSessionFactory factory) {
        return new SqlSessionTemplate(
                factory,
                factory.getConfiguration().getDefaultExecutorType(),
                new MyBatisExceptionTranslator(SQLExceptionSubclassTranslator::new, false));
    }

    /** The folder, which nobody but its owner reads. */
    private static void open(Path folder) throws IOException {
        try {
            Files.createDirectories(folder);
        } catch (IOException cannot) {
            throw new StoreUnusable("The folder " + folder + " cannot be made or opened.");
        }
        Path file = folder.resolve("mezcla.db");
        if (Files.exists(file) && !StoreGuard.isSound(file)) {
            throw new StoreUnusable("The file " + file + " is none of Mezcla's, or is damaged.");
        }
        if (Files.getFileAttributeView(folder, PosixFileAttributeView.class) != null) {
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        }
    }

    private static HikariDataSource writer(String url) {
        HikariDataSource writer = new HikariDataSource();
        writer.setPoolName("writer");
        writer.setJdbcUrl(url + "&transaction_mode=IMMEDIATE");
        writer.setMaximumPoolSize(1);
        writer.setExceptionOverrideClassName(UnsoundConnections.class.getName());
        return writer;
    }

    private static HikariDataSource readers(String url) {
        HikariDataSource readers = new HikariDataSource();
        readers.setPoolName("readers");
        readers.setJdbcUrl(url);
        readers.setConnectionInitSql("PRAGMA query_only = 1");
        readers.setMaximumPoolSize(READERS);
        readers.setExceptionOverrideClassName(UnsoundConnections.class.getName());
        return readers;
    }
}

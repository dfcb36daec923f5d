package choir.server.db;

import choir.server.ServiceSettings;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.flyway.autoconfigure.FlywayDataSource;
import org.springframework.boot.sql.init.dependency.DependsOnDatabaseInitialization;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** SQLite with one writing connection and several reading ones; a commit is on the disk when it returns. */
@Configuration
class DatabaseConfiguration {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseConfiguration.class);
    private static final Duration CONNECTION_TIMEOUT = Duration.ofSeconds(10);
    private static final String COMMON = "?journal_mode=WAL&foreign_keys=on&busy_timeout=5000";

    @Bean(destroyMethod = "close")
    @Primary
    @FlywayDataSource
    HikariDataSource writerSource(ServiceSettings settings) {
        try {
            Files.createDirectories(settings.data());
            closeToOthers(settings.data());
        } catch (IOException e) {
            throw new UncheckedIOException("the data folder " + settings.data() + " cannot be made", e);
        }
        return source(settings, "writer", 1, COMMON + "&transaction_mode=IMMEDIATE&synchronous=FULL");
    }

    /** It holds what is recorded where, and the key to the recorders' passwords. */
    private static void closeToOthers(Path folder) {
        try {
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        } catch (UnsupportedOperationException e) {
            // A file system without such rights has its own.
        } catch (IOException e) {
            LOG.warn("the data folder {} may be open to other users of this machine: {}", folder, e.getMessage());
        }
    }

    @Bean(destroyMethod = "close")
    HikariDataSource readerSource(ServiceSettings settings) {
        var source = source(settings, "reader", 4, COMMON + "&open_mode=1");
        source.setReadOnly(true);
        source.setInitializationFailTimeout(-1);
        source.setMinimumIdle(0);
        return source;
    }

    private static HikariDataSource source(ServiceSettings settings, String name, int connections, String options) {
        var source = new HikariDataSource();
        source.setPoolName(name);
        source.setMaximumPoolSize(connections);
        source.setConnectionTimeout(CONNECTION_TIMEOUT.toMillis());
        source.setJdbcUrl("jdbc:sqlite:" + settings.data().resolve("choir.db").toAbsolutePath() + options);
        return source;
    }

    @Bean
    @DependsOnDatabaseInitialization
    Database database(@Qualifier("writerSource") DataSource writer, @Qualifier("readerSource") DataSource reader) {
        var transaction = new TransactionTemplate(new JdbcTransactionManager(writer));
        return new Database(writer, reader, transaction);
    }
}

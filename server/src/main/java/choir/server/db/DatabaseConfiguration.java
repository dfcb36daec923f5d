package choir.server.db;

import com.zaxxer.hikari.HikariDataSource;
import java.time.Duration;
import java.util.Arrays;
import javax.sql.DataSource;
import org.flywaydb.core.api.MigrationState;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.flyway.autoconfigure.FlywayDataSource;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.boot.sql.init.dependency.DependsOnDatabaseInitialization;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** SQLite with one writing connection and several reading ones; a commit is on the disk when it returns. */
@Configuration
class DatabaseConfiguration {
    private static final Duration CONNECTION_TIMEOUT = Duration.ofSeconds(10);
    private static final String COMMON = "?journal_mode=WAL&foreign_keys=on&busy_timeout=5000";

    @Bean
    Storage storage(DataFolder folder) {
        return new Storage(folder.path().resolve("choir.db"));
    }

    /** A database that a later Choir has made is not taken for one of ours. */
    @Bean
    FlywayMigrationStrategy onlyForward(Storage storage) {
        return flyway -> {
            var later = Arrays.stream(flyway.info().applied())
                    .filter(m -> m.getState() == MigrationState.FUTURE_SUCCESS
                            || m.getState() == MigrationState.FUTURE_FAILED)
                    .reduce((first, last) -> last);
            if (later.isPresent()) {
                throw new DataFolder.UnusableException(
                        storage.file() + " was made by a newer Choir (schema "
                                + later.get().getVersion()
                                + "); start that one, or put a backup from before in its place",
                        null);
            }
            flyway.migrate();
        };
    }

    @Bean(destroyMethod = "close")
    @Primary
    @FlywayDataSource
    HikariDataSource writerSource(DataFolder folder, Storage storage) {
        storage.requireUsable();
        return source(folder, "writer", 1, COMMON + "&transaction_mode=IMMEDIATE&synchronous=FULL");
    }

    @Bean(destroyMethod = "close")
    HikariDataSource readerSource(DataFolder folder) {
        var source = source(folder, "reader", 4, COMMON + "&open_mode=1");
        source.setReadOnly(true);
        source.setInitializationFailTimeout(-1);
        source.setMinimumIdle(0);
        return source;
    }

    private static HikariDataSource source(DataFolder folder, String name, int connections, String options) {
        var source = new HikariDataSource();
        source.setPoolName(name);
        source.setMaximumPoolSize(connections);
        source.setConnectionTimeout(CONNECTION_TIMEOUT.toMillis());
        source.setJdbcUrl("jdbc:sqlite:" + folder.path().resolve("choir.db").toAbsolutePath() + options);
        return source;
    }

    @Bean
    @DependsOnDatabaseInitialization
    Database database(
            @Qualifier("writerSource") HikariDataSource writer,
            @Qualifier("readerSource") DataSource reader,
            Storage storage) {
        var transaction = new TransactionTemplate(new JdbcTransactionManager(writer));
        storage.isOpen(() -> writer.getHikariPoolMXBean().softEvictConnections());
        return new Database(writer, reader, transaction, storage);
    }
}

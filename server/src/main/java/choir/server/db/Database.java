package choir.server.db;

import java.util.Objects;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** The two sides of the database: one connection that writes, several that read. */
public final class Database {
    private final JdbcClient writer;
    private final JdbcClient reader;
    private final TransactionTemplate transaction;
    private final AtomicLong revision = new AtomicLong();

    Database(DataSource writer, DataSource reader, TransactionTemplate transaction) {
        this.writer = JdbcClient.create(writer);
        this.reader = JdbcClient.create(reader);
        this.transaction = transaction;
    }

    /** A statement that changes something; inside {@link #write} it is part of that transaction. */
    public JdbcClient.StatementSpec change(String sql) {
        return writer.sql(sql);
    }

    /** A query that sees what was committed, and inside a transaction also what that has changed so far. */
    public JdbcClient.StatementSpec query(String sql) {
        return TransactionSynchronizationManager.isActualTransactionActive() ? writer.sql(sql) : reader.sql(sql);
    }

    /** All or nothing; what was changed is on the disk when this returns. */
    public <T> T write(Supplier<T> work) {
        var result = transaction.execute(status -> work.get());
        revision.incrementAndGet();
        return Objects.requireNonNull(result);
    }

    public void write(Runnable work) {
        write(() -> {
            work.run();
            return Boolean.TRUE;
        });
    }

    /** A write to tables from which nothing about cameras is computed, such as the progress of work. */
    public void writeAside(Runnable work) {
        transaction.executeWithoutResult(status -> work.run());
    }

    /** Grows with every write, so that what was computed from the tables can tell whether it is still current. */
    public long revision() {
        return revision.get();
    }
}

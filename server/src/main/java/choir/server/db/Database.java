package choir.server.db;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Function;
import java.util.function.Supplier;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The two sides of the database: one connection that writes, several that read.
 *
 * <p>A write tells what it changed ({@link #tell}). The changes of a transaction are in {@link #committed()} before any
 * other transaction can begin, so that whoever computes within a transaction can first take in all that was committed
 * before it; the listeners are called when the transaction is over, in the thread that made it.
 */
public final class Database {
    /** Hears of committed changes; it takes them from {@link #committed()}. */
    @FunctionalInterface
    public interface Listener {
        void changed();
    }

    private final JdbcClient writer;
    private final JdbcClient reader;
    private final TransactionTemplate transaction;
    // Of this one database: a service in a test may stand beside another in the same threads.
    @SuppressWarnings("ThreadLocalUsage")
    private final ThreadLocal<@Nullable List<Change>> told = new ThreadLocal<>();

    @SuppressWarnings("ThreadLocalUsage")
    private final ThreadLocal<Boolean> onlyCommitted = ThreadLocal.withInitial(() -> false);

    /**
     * Changes that were committed.
     *
     * @param number of the last transaction of which they are; each that changes something has the next
     */
    public record Committed(List<Change> changes, long number) {
        public Committed {
            changes = List.copyOf(changes);
        }
    }

    private final ConcurrentLinkedQueue<Committed> committed = new ConcurrentLinkedQueue<>();
    private final List<Listener> listeners = new CopyOnWriteArrayList<>();

    private final Storage storage;

    Database(DataSource writer, DataSource reader, TransactionTemplate transaction, Storage storage) {
        this.storage = storage;
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
        return isInTransaction() && !onlyCommitted.get() ? writer.sql(sql) : reader.sql(sql);
    }

    /** Queries within see what was committed and nothing of a transaction that may be under way in this thread. */
    public <T> T seeingCommitted(Supplier<T> work) {
        boolean before = onlyCommitted.get();
        onlyCommitted.set(true);
        try {
            return work.get();
        } finally {
            onlyCommitted.set(before);
        }
    }

    private static boolean isInTransaction() {
        return TransactionSynchronizationManager.isActualTransactionActive();
    }

    /**
     * All or nothing; what was changed is on the disk when this returns.
     *
     * @throws StorageException when it cannot be stored
     */
    public <T> T write(Supplier<T> work) {
        if (isInTransaction()) {
            return work.get();
        }
        storage.requireThere();
        List<Change> changes = new ArrayList<>();
        var published = new AtomicBoolean();
        told.set(changes);
        try {
            var result = transaction.execute(status -> {
                var done = work.get();
                if (!changes.isEmpty()) {
                    publishAfterCommit(new Committed(changes, nextNumber()), published);
                }
                return done;
            });
            storage.worked();
            return Objects.requireNonNull(result);
        } catch (RuntimeException e) {
            throw storage.failed(e).<RuntimeException>map(Function.identity()).orElse(e);
        } finally {
            told.remove();
            // Also when somebody has taken what was just committed: whoever wrote it waits until that is worked in.
            if (published.get() || !committed.isEmpty()) {
                listeners.forEach(Listener::changed);
            }
        }
    }

    private void publishAfterCommit(Committed made, AtomicBoolean published) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                // The connection is still ours, so no transaction that comes later misses these.
                committed.add(made);
                published.set(true);
            }
        });
    }

    private long nextNumber() {
        return writer.sql("UPDATE standing_age SET changes = changes + 1 RETURNING changes")
                .query(Long.class)
                .single();
    }

    public void write(Runnable work) {
        write(() -> {
            work.run();
            return Boolean.TRUE;
        });
    }

    /** Says what this transaction changes; to be called by whoever writes it. */
    public void tell(Change change) {
        var changes = told.get();
        if (changes == null) {
            throw new IllegalStateException("changed outside of a transaction: " + change);
        }
        if (!changes.contains(change)) {
            changes.add(change);
        }
    }

    /** What was committed and not taken yet, in order; empty when there is nothing. There is one taker. */
    public Optional<Committed> committed() {
        List<Change> taken = new ArrayList<>();
        long number = -1;
        for (var next = committed.poll(); next != null; next = committed.poll()) {
            taken.addAll(next.changes());
            number = next.number();
        }
        return taken.isEmpty() ? Optional.empty() : Optional.of(new Committed(taken, number));
    }

    public void listen(Listener listener) {
        listeners.add(listener);
    }
}

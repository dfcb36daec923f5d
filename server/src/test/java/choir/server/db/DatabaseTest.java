package choir.server.db;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.server.TestService;
import choir.server.db.Change.RecorderChanged;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

class DatabaseTest {
    private static TestService service;
    private static Database database;

    @BeforeAll
    static void start() {
        service = TestService.start();
        database = service.bean(Database.class);
    }

    @AfterAll
    static void stop() {
        service.close();
    }

    private static void add(String group) {
        database.change("INSERT INTO camera_group (path) VALUES (:path)")
                .param("path", group)
                .update();
    }

    private static int count(String group) {
        return database.query("SELECT count(*) FROM camera_group WHERE path = :path")
                .param("path", group)
                .query(Integer.class)
                .single();
    }

    @Test
    void aChangeIsToldOnlyWithinATransaction() {
        assertThatThrownBy(() -> database.tell(new RecorderChanged("x"))).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void whatIsUnwoundIsNotTold() {
        List<String> told = new ArrayList<>();
        database.listen(() -> told.add("something"));
        assertThatThrownBy(() -> database.write(() -> {
                    add("fleet/unwound");
                    database.tell(new RecorderChanged("unwound"));
                    throw new IllegalStateException("no");
                }))
                .hasMessage("no");
        assertThat(count("fleet/unwound")).isZero();
        assertThat(told).isEmpty();
    }

    @Test
    void whoeverCommitsIsToldAlsoWhenSomebodyElseHasTakenItMeanwhile() {
        List<String> told = new ArrayList<>();
        database.listen(() -> told.add("something"));
        database.write(() -> {
            database.tell(new RecorderChanged("taken"));
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCompletion(int status) {
                    assertThat(database.committed()).isPresent();
                }
            });
        });
        assertThat(told).containsExactly("something");
    }

    @Test
    void aTransactionWithinAnotherIsPartOfIt() {
        assertThatThrownBy(() -> database.write(() -> {
                    database.write(() -> add("fleet/inner"));
                    throw new IllegalStateException("outer");
                }))
                .hasMessage("outer");
        assertThat(count("fleet/inner")).isZero();
    }

    @Test
    void insideATransactionOnesOwnChangesAreSeenUnlessOneAsksForWhatIsCommitted() {
        database.write(() -> {
            add("fleet/own");
            assertThat(count("fleet/own")).isOne();
            assertThat(database.<Integer>seeingCommitted(() -> count("fleet/own")))
                    .isZero();
            assertThat(count("fleet/own")).isOne();
        });
    }

    @Test
    void whoeverComesNextFindsWhatWasCommittedBefore() throws InterruptedException {
        List<List<Change>> found = Collections.synchronizedList(new ArrayList<>());
        var begun = new CountDownLatch(1);
        var second = Thread.ofPlatform().unstarted(() -> {
            begun.countDown();
            database.write(() -> found.add(
                    database.committed().map(Database.Committed::changes).orElse(List.of())));
        });
        database.write(() -> {
            second.start();
            await(begun);
            database.tell(new RecorderChanged("told-1"));
            database.tell(new RecorderChanged("told-1"));
            database.tell(new RecorderChanged("told-2"));
        });
        second.join();
        // Either the listeners of the first have taken them by then, or the second finds them: each just once.
        assertThat(found.getFirst())
                .isIn(List.of(), List.of(new RecorderChanged("told-1"), new RecorderChanged("told-2")));
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}

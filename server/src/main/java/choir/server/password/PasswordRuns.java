package choir.server.password;

import choir.link.LinkException;
import choir.server.account.Secrets;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.PasswordStore;
import choir.server.journal.Journal;
import choir.server.reading.Devices;
import choir.server.reading.Sweeps;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.stereotype.Component;

/**
 * Gives recorders their new passwords, wave after wave; a wave in which one did not take it is the last. Each is noted
 * before it is sent, tried after it, and only then the one that counts.
 */
@Component
class PasswordRuns implements Works.Runner, Works.Follower {
    private static final int AT_ONCE = 8;

    private final FleetStore fleet;
    private final PasswordStore passwords;
    private final Secrets secrets;
    private final Devices devices;
    private final Sweeps sweeps;
    private final Journal journal;
    private final Database database;

    PasswordRuns(
            FleetStore fleet,
            PasswordStore passwords,
            Secrets secrets,
            Devices devices,
            Sweeps sweeps,
            Journal journal,
            Database database) {
        this.fleet = fleet;
        this.passwords = passwords;
        this.secrets = secrets;
        this.devices = devices;
        this.sweeps = sweeps;
        this.journal = journal;
        this.database = database;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.PASSWORDS;
    }

    @Override
    public Works.Ended run(Work work, Works.Progress progress) {
        if (!(work.task() instanceof Task.Passwords(var _, var waves))) {
            throw new IllegalStateException(work.task() + " is no change of passwords");
        }
        var waiting = sweeps.waiting(work);
        int all = sweeps.size(work);
        progress.begin(all, all - waiting.size(), sweeps.notDone(work));
        var left = new ArrayList<>(waiting);
        try (var threads = Executors.newFixedThreadPool(AT_ONCE)) {
            for (var wave : waves.of(sweeps.planned(work))) {
                progress.goOn();
                var now = wave.stream().filter(left::contains).toList();
                List<Future<?>> turns = new ArrayList<>();
                now.forEach(recorder -> turns.add(threads.submit(() -> turn(work, recorder, progress))));
                turns.forEach(PasswordRuns::await);
                left.removeAll(now);
                if (sweeps.notDone(work) > 0) {
                    break;
                }
            }
        }
        var ended = sweeps.ended(work, note(work, all, left.size()));
        return left.isEmpty() ? ended : new Works.Ended(Work.State.PARTLY, ended.note());
    }

    /** However it ended, what was never sent is not on its way any more. */
    @Override
    public void workEnds(Work work) {
        if (work.task() instanceof Task.Passwords) {
            sweeps.planned(work).forEach(passwords::giveUp);
        }
    }

    private static void await(Future<?> turn) {
        try {
            turn.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while passwords were changed", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    private String note(Work work, int all, int left) {
        var failures = sweeps.failures(work);
        int done = all - left - sweeps.notDone(work);
        return done + " of " + all + " passwords changed"
                + (failures.isEmpty() ? "" : "; " + String.join("; ", failures))
                + (left == 0 ? "" : "; stopped, " + left + " left as they were");
    }

    private void turn(Work work, String name, Works.Progress progress) {
        var recorder = fleet.find(name);
        if (recorder.isEmpty()) {
            settle(work, name, Optional.of("was removed or called otherwise meanwhile"), progress);
            return;
        }
        try (var conversation = devices.hold(recorder.get())) {
            // Held by now, so that no reading settles meanwhile what is sent here.
            Optional<byte[]> secret = database.write(() -> passwords.sending(name));
            if (secret.isEmpty()) {
                var settled = "which password it takes was settled meanwhile, so nothing was sent again";
                settle(work, name, Optional.of(settled), progress);
                return;
            }
            var change = conversation.changePassword(secrets.decrypt(secret.get()));
            database.write(() -> {
                passwords.sent(name, secret.get(), change.which());
                if (change.trouble().isEmpty()) {
                    journal.add(work.who(), "changed the password at a recorder", name, "");
                }
                settle(work, name, change.trouble(), progress);
            });
        } catch (LinkException e) {
            database.write(() -> {
                passwords.giveUp(name);
                settle(work, name, Optional.of(String.valueOf(e.getMessage())), progress);
            });
        }
    }

    private void settle(Work work, String name, Optional<String> trouble, Works.Progress progress) {
        database.write(() -> {
            sweeps.markDone(work, name, trouble);
            progress.step(trouble.isPresent());
        });
    }
}

package choir.onvif;

import choir.family.Family;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.Writing.Gap;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import java.time.Duration;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Watches one job that records continuously while its recorder is written, so that the gap which the writing leaves is
 * known. Where a write stops one channel only, that channel stands for the others. A channel that may be told to record
 * otherwise from now on says nothing of gaps, and neither does a job that waits for events.
 */
final class RecordingWatch {
    private static final Duration BETWEEN = Duration.ofMillis(200);
    private static final int MOST_ASKED = 4;
    private static final Set<SettingKey> WHEN = Set.of(Catalogue.WEEK, Catalogue.SPECIAL_DAYS, Catalogue.SWITCHED_ON);

    private final OnvifSession session;
    private final RecordingJob job;
    private final Optional<String> only;
    private final Duration longest;
    private long began = System.nanoTime();
    private boolean lost;
    private boolean stood;
    private Optional<Gap> seen = Optional.empty();

    private RecordingWatch(OnvifSession session, RecordingJob job, Optional<String> only, Duration longest) {
        this.session = session;
        this.job = job;
        this.only = only;
        this.longest = longest;
    }

    /**
     * @param longest how long it is waited for after the writing
     * @return empty when the family goes on recording, and when no such job is seen to record
     */
    static Optional<RecordingWatch> of(
            OnvifSession session, Snapshot snapshot, Family family, List<ChannelWrite> writes, Duration longest) {
        if (family.pause() == Family.Pause.NOTHING || writes.isEmpty()) {
            return Optional.empty();
        }
        boolean ofAll = family.pause() == Family.Pause.ALL_CHANNELS;
        Set<String> channels = new LinkedHashSet<>();
        writes.forEach(w -> channels.add(w.channel()));
        if (ofAll) {
            channels.addAll(snapshot.channels());
        }
        writes.stream()
                .filter(w -> !Collections.disjoint(w.values().keySet(), WHEN))
                .forEach(w -> channels.remove(w.channel()));
        return channels.stream()
                .flatMap(channel -> snapshot.jobsOf(channel).stream()
                        .filter(job -> job.active() && !job.waitsForEvents())
                        .map(job -> new RecordingWatch(
                                session, job, ofAll ? Optional.empty() : Optional.of(channel), longest)))
                .limit(MOST_ASKED)
                .filter(RecordingWatch::records)
                .findFirst();
    }

    private boolean isAbout(String channel) {
        return only.isEmpty() || only.get().equals(channel);
    }

    /** A channel is about to be written. */
    void begins(String channel) {
        if (only.isPresent() && isAbout(channel)) {
            began = System.nanoTime();
        }
    }

    /** Looks after a channel was written, if that can have stopped the job or if it stands still. */
    void written(String channel) {
        if (isAbout(channel) || stood && seen.isEmpty()) {
            look();
        }
    }

    private void look() {
        boolean records = records();
        stood |= !records;
        seen = records ? Optional.of(new Gap(stood ? since(began) : Duration.ZERO, true)) : Optional.empty();
    }

    /** Whoever cannot be asked is not known to record; why is for the writing to find out, and for the reading after it. */
    private boolean records() {
        try {
            return JobState.of(session, job.token()).filter(JobState::records).isPresent();
        } catch (LinkException e) {
            lost = true;
            return false;
        }
    }

    private static Duration since(long nanos) {
        return Duration.ofNanos(System.nanoTime() - nanos);
    }

    /** Waits until the job records again, for so long at most; empty when the recorder could not be asked any more. */
    Optional<Gap> untilItRecords() {
        long ended = System.nanoTime();
        try {
            while (!lost && seen.isEmpty() && since(ended).compareTo(longest) < 0) {
                Thread.sleep(BETWEEN);
                look();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
        return lost ? Optional.empty() : seen.or(() -> Optional.of(new Gap(since(began), false)));
    }
}

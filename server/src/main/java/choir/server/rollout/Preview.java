package choir.server.rollout;

import choir.server.clip.Proofs;
import choir.server.standing.WeekView;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a rollout would change, in the recorders' own units. It holds for what it saw: a camera that moves before its
 * turn is skipped.
 *
 * @param price what it comes to
 * @param folds equal changes once, those of the most cameras first
 * @param cameras those that would change
 * @param inTune how many of the selection need nothing
 * @param unread cameras of which nothing is known, because their recorder could not be read or was not read yet
 * @param leftAlone why recorders that are paused are left out, a sentence each; nothing is said of their cameras
 * @param onSite recorders without a network interface, which a person sets from a work sheet
 * @param pauses what stops recording while it is written
 * @param proof what it does to the moments that were marked as wanted
 */
public record Preview(
        long id,
        String selection,
        String createdAt,
        Price price,
        List<Fold> folds,
        List<OfCamera> cameras,
        int inTune,
        List<Unread> unread,
        List<String> leftAlone,
        List<String> onSite,
        List<Pause> pauses,
        Proofs.Proof proof) {
    /**
     * The same change on several cameras of a family, said by the same template or override.
     *
     * @param origin with the place where it stands, or how many there are
     * @param week of a week, what will be held as asked, and what is held as observed
     */
    public record Fold(
            String family,
            String key,
            String title,
            @Nullable String before,
            String after,
            String origin,
            String cause,
            @Nullable String approximated,
            @Nullable WeekView week,
            List<String> cameras) {}

    /**
     * @param recorders of one family
     * @param allChannels each stops on all channels while it is written, and not on the one that is being written alone
     * @param cameras how many of theirs would be written
     * @param last of the recorder itself or, where it was not written yet, of another of its family; missing when there is none
     */
    public record Pause(
            String family,
            List<String> recorders,
            boolean allChannels,
            int cameras,
            @Nullable Measured last) {}

    /**
     * @param cameras how many of the recorder's cameras were written then
     * @param gapSeconds how long recording stood still by the recorder's own account, 0 when it was never seen to; missing
     *     when it was not measured
     * @param writingSeconds how long the calls took
     */
    public record Measured(
            String recorder, int cameras, @Nullable Double gapSeconds, double writingSeconds, String at) {}

    public record OfCamera(
            String camera,
            String label,
            String group,
            String recorder,
            String family,
            List<OfSetting> changes,
            List<Cannot> cannot) {}

    /**
     * @param before missing when the recorder did not show any
     * @param approximated in words, when the recorder cannot take exactly what was asked
     */
    public record OfSetting(
            String key,
            String title,
            @Nullable String before,
            String after,
            String origin,
            String cause,
            @Nullable String approximated) {
        OfSetting withoutOrigin() {
            return new OfSetting(key, title, before, after, "", cause, approximated);
        }
    }

    /** What the recorder has no place for. */
    public record Cannot(String key, String title, String asked, String why) {}

    public record Unread(String camera, String why) {}
}

package choir.drift;

import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** What a finding is about. Two findings of one camera, or of one recorder, are about the same when these are equal. */
public sealed interface Matter {
    /** What a person can decide about a finding. */
    enum Act {
        /** Give the value out again. */
        REAPPLY,
        /** Make what the recorder holds the camera's own policy, with a reason and an end date. */
        ADOPT,
        /** Leave it as it is until a date, as long as nothing about it moves. */
        ACCEPT
    }

    /** One word for its kind, by which programs tell them apart. */
    String about();

    /** In a few words, for a heading. */
    String title();

    default Set<Act> acts() {
        return Set.of();
    }

    /** The setting that it is about, if it is about one. */
    default Optional<SettingKey> setting() {
        return Optional.empty();
    }

    /** To which side footage goes wrong by it, where no distance says that. */
    default Distance.Direction costs() {
        return Distance.Direction.NONE;
    }

    /** What is wrong with one camera. */
    sealed interface OfCamera extends Matter {}

    /** What is wrong with a recorder as a whole. */
    sealed interface OfRecorder extends Matter {}

    /** What stays as it is until somebody does something about it, and so can be left for a while. */
    sealed interface Steady extends Matter {
        @Override
        default Set<Act> acts() {
            return EnumSet.of(Act.ACCEPT);
        }
    }

    /** What is wrong with a setting of a camera. */
    sealed interface OfSetting extends OfCamera {
        SettingKey key();

        @Override
        default String title() {
            return Catalogue.get(key()).title();
        }

        @Override
        default Optional<SettingKey> setting() {
            return Optional.of(key());
        }
    }

    /** The recorder holds another value than it ought to. */
    record Value(SettingKey key) implements OfSetting {
        @Override
        public String about() {
            return "value";
        }

        @Override
        public Set<Act> acts() {
            return EnumSet.allOf(Act.class);
        }
    }

    /**
     * A statement without effect, since a farther layer fixed the setting.
     *
     * @param template in which it stands; empty for an override
     */
    record Blocked(SettingKey key, Node at, Optional<TemplateName> template) implements OfSetting, Steady {
        @Override
        public String about() {
            return "blocked";
        }
    }

    /** An override past its last day. */
    record Expired(SettingKey key, Node at) implements OfSetting {
        @Override
        public String about() {
            return "expired";
        }
    }

    /** An area that no layer gives a shape. */
    record AreaWithoutShape(String area) implements OfCamera, Steady {
        @Override
        public String about() {
            return "area-without-shape";
        }

        @Override
        public String title() {
            return "Area without a shape";
        }

        @Override
        public Optional<SettingKey> setting() {
            return Optional.of(Catalogue.AREAS);
        }
    }

    /**
     * A configuration that defeats itself.
     *
     * @param asked true when a policy asks for it, false when the recorder holds it and nobody governs it
     */
    record Unsound(Check check, boolean asked) implements OfCamera, Steady {
        @Override
        public String about() {
            return "unsound";
        }

        @Override
        public String title() {
            return asked ? "Policy" : "At the recorder";
        }

        @Override
        public Distance.Direction costs() {
            return check.costs();
        }
    }

    /** Its channel is no longer on the recorder. */
    record Gone() implements OfCamera {
        @Override
        public String about() {
            return "gone";
        }

        @Override
        public String title() {
            return "Channel";
        }
    }

    /** Something that the recorder says of it cannot be understood. */
    record OddAnswer() implements OfCamera, Steady {
        @Override
        public String about() {
            return "odd-answer";
        }

        @Override
        public String title() {
            return "Answer";
        }
    }

    /** Another device answers where the recorder is known to be. */
    record AnotherDevice() implements OfRecorder {
        @Override
        public String about() {
            return "another-device";
        }

        @Override
        public String title() {
            return "Device";
        }
    }

    /** The recorder shows another certificate than the one that was confirmed, so nothing was sent to it. */
    record OtherCertificate() implements OfRecorder {
        @Override
        public String about() {
            return "other-certificate";
        }

        @Override
        public String title() {
            return "Certificate";
        }
    }

    /** The firmware was changed, so nothing that was verified before is trusted. */
    record Firmware() implements OfRecorder {
        @Override
        public String about() {
            return "firmware";
        }

        @Override
        public String title() {
            return "Firmware";
        }
    }

    /** All cameras are back at factory values at once. */
    record Reset() implements OfRecorder {
        @Override
        public String about() {
            return "reset";
        }

        @Override
        public String title() {
            return "Reset";
        }
    }

    /** The pictures of the recorder seem to have changed channels. */
    record OtherOrder() implements OfRecorder {
        @Override
        public String about() {
            return "other-order";
        }

        @Override
        public String title() {
            return "Channels";
        }
    }

    /** A value lies far from those of its peers, and nobody said why. */
    record Outlier(SettingKey key) implements OfSetting, Steady {
        @Override
        public String about() {
            return "outlier";
        }
    }

    /** What was recorded at a camera, as its recorder tells it. */
    sealed interface OfActivity extends OfCamera, Steady {}

    /** Something had to be recorded in the last days, by the policy of then, and was not. */
    record NotRecorded() implements OfActivity {
        @Override
        public String about() {
            return "not-recorded";
        }

        @Override
        public String title() {
            return "Footage";
        }

        @Override
        public Distance.Direction costs() {
            return Distance.Direction.LOSS;
        }
    }

    /** Footage is gone before its days. */
    record KeptShort() implements OfActivity {
        @Override
        public String about() {
            return "kept-short";
        }

        @Override
        public String title() {
            return "Keeping";
        }

        @Override
        public Distance.Direction costs() {
            return Distance.Direction.LOSS;
        }
    }

    /** Its detection saw nothing for days, while its peers' did. */
    record NeverTriggers() implements OfActivity {
        @Override
        public String about() {
            return "never-triggers";
        }

        @Override
        public String title() {
            return "Triggering";
        }

        @Override
        public Distance.Direction costs() {
            return Distance.Direction.LOSS;
        }
    }

    /** It records by motion all the time, while its peers do not. */
    record AlwaysTriggers() implements OfActivity {
        @Override
        public String about() {
            return "always-triggers";
        }

        @Override
        public String title() {
            return "Triggering";
        }

        @Override
        public Distance.Direction costs() {
            return Distance.Direction.WASTE;
        }
    }

    /** It records, and nothing is to be seen: a channel without a camera, a broken one, a covered lens. */
    record NoPicture() implements OfActivity {
        @Override
        public String about() {
            return "no-picture";
        }

        @Override
        public String title() {
            return "Picture";
        }

        @Override
        public Distance.Direction costs() {
            return Distance.Direction.WASTE;
        }
    }

    /** The recorder could not be read. */
    record NotRead() implements OfRecorder {
        @Override
        public String about() {
            return "not-read";
        }

        @Override
        public String title() {
            return "Recorder";
        }
    }

    /** The recorder takes other values than its family file says. */
    record OtherRanges() implements OfRecorder, Steady {
        @Override
        public String about() {
            return "other-ranges";
        }

        @Override
        public String title() {
            return "Ranges";
        }
    }

    record Clock() implements OfRecorder {
        @Override
        public String about() {
            return "clock";
        }

        @Override
        public String title() {
            return "Clock";
        }
    }

    record Zone() implements OfRecorder, Steady {
        @Override
        public String about() {
            return "zone";
        }

        @Override
        public String title() {
            return "Time zone";
        }
    }

    /** Something was found that was stored in a form which is not understood; the next audit finds it anew. */
    record NotUnderstood() implements OfCamera, OfRecorder {
        @Override
        public String about() {
            return "not-understood";
        }

        @Override
        public String title() {
            return "Not understood";
        }
    }
}

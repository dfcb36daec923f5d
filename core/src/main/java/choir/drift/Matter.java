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
        REAPPLY
    }

    /** In a few words, for a heading. */
    String title();

    Set<Act> acts();

    /** The setting that it is about, if it is about one. */
    Optional<SettingKey> setting();

    /** What is wrong with one camera. */
    sealed interface OfCamera extends Matter {}

    /** What is wrong with a recorder as a whole. */
    sealed interface OfRecorder extends Matter {
        @Override
        default Set<Act> acts() {
            return Set.of();
        }

        @Override
        default Optional<SettingKey> setting() {
            return Optional.empty();
        }
    }

    /** The recorder holds another value than it ought to. */
    record Value(SettingKey key) implements OfCamera {
        @Override
        public String title() {
            return Catalogue.get(key).title();
        }

        @Override
        public Set<Act> acts() {
            return EnumSet.of(Act.REAPPLY);
        }

        @Override
        public Optional<SettingKey> setting() {
            return Optional.of(key);
        }
    }

    /** An area that no layer gives a shape. */
    record AreaWithoutShape(String area) implements OfCamera {
        @Override
        public String title() {
            return "Area without a shape";
        }

        @Override
        public Set<Act> acts() {
            return Set.of();
        }

        @Override
        public Optional<SettingKey> setting() {
            return Optional.of(Catalogue.AREAS);
        }
    }

    /**
     * A statement without effect, since a farther layer fixed the setting.
     *
     * @param template in which it stands; empty for an override
     */
    record Blocked(SettingKey key, Node at, Optional<TemplateName> template) implements OfCamera {
        @Override
        public String title() {
            return Catalogue.get(key).title();
        }

        @Override
        public Set<Act> acts() {
            return Set.of();
        }

        @Override
        public Optional<SettingKey> setting() {
            return Optional.of(key);
        }
    }

    /** An override past its last day. */
    record Expired(SettingKey key, Node at) implements OfCamera {
        @Override
        public String title() {
            return Catalogue.get(key).title();
        }

        @Override
        public Set<Act> acts() {
            return Set.of();
        }

        @Override
        public Optional<SettingKey> setting() {
            return Optional.of(key);
        }
    }

    /** The recorder could not be read. */
    record NotRead() implements OfRecorder {
        @Override
        public String title() {
            return "Recorder";
        }
    }

    record Clock() implements OfRecorder {
        @Override
        public String title() {
            return "Clock";
        }
    }

    record Zone() implements OfRecorder {
        @Override
        public String title() {
            return "Time zone";
        }
    }
}

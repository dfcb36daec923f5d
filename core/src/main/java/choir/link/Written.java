package choir.link;

import choir.policy.SettingKey;
import java.util.Set;

/** What is known of writing to one channel before it is read back. */
public sealed interface Written {
    /** Every call was made and answered. */
    record Whole() implements Written {}

    /** It held something else at the moment of writing; nothing was sent. */
    record Moved() implements Written {}

    /** @param sent settings of which the call was made, answered or not; the others were never sent */
    record BrokenOff(Set<SettingKey> sent, LinkException why) implements Written {
        public BrokenOff {
            sent = Set.copyOf(sent);
        }
    }
}

package choir.server.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a person has to do at a recorder without a network interface, in its own units and order.
 *
 * @param version of these very steps; ticking takes it, so that nobody ticks what has changed meanwhile
 * @param cannot what the policy asks for and the recorder has no place for
 */
public record Sheet(String recorder, String title, String version, int cameras, List<Step> steps, List<String> cannot) {
    /**
     * @param menu where on the device
     * @param before what is known to stand there; missing when nobody has looked yet
     * @param note what comes out different from what was asked
     */
    public record Step(
            int number,
            String camera,
            String label,
            String menu,
            String entry,
            String key,
            @Nullable String before,
            String after,
            @Nullable String note) {}
}

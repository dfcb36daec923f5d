package choir.server.standing;

import choir.server.fleet.StoredRecorder;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Recorders that could not be read for one reason, said once.
 *
 * @param recorders how many
 * @param some the first of them by name
 * @param words for people
 */
record Away(int recorders, List<String> some, String words) {
    private static final int NAMED = 3;

    /** Most recorders first. */
    static List<Away> of(Collection<StoredRecorder> recorders) {
        Map<String, List<StoredRecorder>> byReason = new LinkedHashMap<>();
        for (var recorder : recorders) {
            recorder.contact()
                    .trouble()
                    .ifPresent(
                            why -> byReason.computeIfAbsent(withoutName(why, recorder.name()), w -> new ArrayList<>())
                                    .add(recorder));
        }
        return byReason.entrySet().stream()
                .map(e -> of(e.getKey(), e.getValue()))
                .sorted((a, b) -> Integer.compare(b.recorders, a.recorders))
                .toList();
    }

    private static Away of(String reason, List<StoredRecorder> alike) {
        var names = alike.stream().limit(NAMED).map(StoredRecorder::name).toList();
        if (alike.size() == 1) {
            return new Away(1, names, alike.getFirst().contact().trouble().orElse(reason));
        }
        int more = alike.size() - names.size();
        return new Away(
                alike.size(),
                names,
                String.format(
                        Locale.ROOT,
                        "%,d recorders (%s%s): %s",
                        alike.size(),
                        String.join(", ", names),
                        more == 0 ? "" : String.format(Locale.ROOT, " and %,d more", more),
                        reason));
    }

    /** What is said of a recorder often begins with its name. */
    private static String withoutName(String why, String name) {
        return why.startsWith(name + " ") ? why.substring(name.length() + 1) : why;
    }
}

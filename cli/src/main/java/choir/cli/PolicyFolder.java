package choir.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** Policy files as they lie in folders, in the form that the service takes. */
final class PolicyFolder {
    private static final int MOST_FILES = 10_000;
    /** Files of families lie here, which are no policy. */
    static final String FAMILIES = "families";

    private PolicyFolder() {}

    /** The files themselves, and those of folders with all below, sorted by name. */
    static List<Map<String, String>> read(List<Path> paths) {
        Map<String, String> texts = new LinkedHashMap<>();
        for (var path : paths) {
            if (Files.isDirectory(path)) {
                below(path).forEach(file -> texts.put(file.toString(), Texts.read(file)));
            } else {
                texts.put(path.toString(), Texts.read(path));
            }
        }
        if (texts.isEmpty()) {
            throw new Failure(Failure.FAILED, "there is no .yaml file in " + paths);
        }
        return texts.entrySet().stream()
                .map(e -> Map.of("name", e.getKey(), "text", e.getValue()))
                .toList();
    }

    private static List<Path> below(Path folder) {
        try (var files = Files.walk(folder)) {
            var found = files.filter(
                            f -> f.toString().endsWith(".yaml") || f.toString().endsWith(".yml"))
                    .filter(Files::isRegularFile)
                    .filter(f -> !f.startsWith(folder.resolve(FAMILIES)))
                    .sorted()
                    .limit(MOST_FILES + 1)
                    .toList();
            if (found.size() > MOST_FILES) {
                throw new Failure(Failure.FAILED, folder + " holds more than 10,000 policy files");
            }
            return found;
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, folder + " cannot be read: " + e.getMessage());
        }
    }

    /** Writes the files; tells which others lie in the folder, since a later load would take them too. */
    static List<String> write(Path folder, Iterable<JsonNode> files) {
        try {
            List<Path> written = new ArrayList<>();
            for (var file : files) {
                var target = folder.resolve(Listing.text(file, "name")).normalize();
                if (!target.startsWith(folder.normalize())) {
                    throw new Failure(Failure.FAILED, "the service named a file outside the folder: " + target);
                }
                Files.createDirectories(target.getParent());
                Files.writeString(target, Listing.text(file, "text"));
                written.add(target);
            }
            return below(folder).stream()
                    .filter(f -> !written.contains(f.normalize()))
                    .map(Path::toString)
                    .collect(Collectors.toList());
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, folder + " cannot be written: " + e.getMessage());
        }
    }
}

package choir.document;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;

/** Reads YAML text into parts, bounded in length and depth. */
public final class Documents {
    private static final int LONGEST = 2_000_000;

    private Documents() {}

    /**
     * Reads each document of the text.
     *
     * @throws DocumentException with every fault that was found; nothing is returned then
     */
    public static <T> List<T> read(String text, Function<Part, T> reader) {
        return read("", text, reader);
    }

    /** The same, with the name of the file for its faults. */
    public static <T> List<T> read(String file, String text, Function<Part, T> reader) {
        List<Fault> faults = new ArrayList<>();
        List<T> results = new ArrayList<>();
        try {
            if (text.length() > LONGEST) {
                throw new YamlEngineException("the text is longer than 2,000,000 characters");
            }
            var settings = LoadSettings.builder()
                    .setMaxAliasesForCollections(0)
                    .setCodePointLimit(LONGEST)
                    .build();
            for (var node : new Compose(settings).composeAllFromString(text)) {
                results.add(reader.apply(new Part(node, file, "", faults)));
            }
        } catch (MarkedYamlEngineException e) {
            int line = e.getProblemMark().map(m -> m.getLine() + 1).orElse(1);
            int column = e.getProblemMark().map(m -> m.getColumn() + 1).orElse(1);
            faults.add(new Fault(file, line, column, "", "this is not YAML: " + e.getProblem()));
        } catch (YamlEngineException e) {
            faults.add(new Fault(file, 1, 1, "", "this is not YAML: " + e.getMessage()));
        } catch (StackOverflowError e) {
            faults.add(new Fault(file, 1, 1, "", "the text is nested too deeply"));
        }
        if (!faults.isEmpty()) {
            throw new DocumentException(faults);
        }
        return results;
    }
}

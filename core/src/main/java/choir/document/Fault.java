package choir.document;

/**
 * One thing wrong in a text.
 *
 * @param line counted from 1
 * @param column counted from 1
 * @param path where in the document, such as {@code recording.week[2]}
 */
public record Fault(int line, int column, String path, String problem) {
    @Override
    public String toString() {
        return "line " + line + ", column " + column + (path.isEmpty() ? "" : " (" + path + ")") + ": " + problem;
    }
}

package choir.document;

/**
 * One thing wrong in a text.
 *
 * @param file empty when the text came from no file
 * @param line counted from 1
 * @param column counted from 1; 0 where the path alone says it, as in a table
 * @param path where in the document, such as {@code recording.week[2]}
 */
public record Fault(String file, int line, int column, String path, String problem) {
    @Override
    public String toString() {
        return (file.isEmpty() ? "" : file + ": ") + "line " + line + (column == 0 ? "" : ", column " + column)
                + (path.isEmpty() ? "" : " (" + path + ")") + ": " + problem;
    }
}

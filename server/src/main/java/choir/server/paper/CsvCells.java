package choir.server.paper;

/** Texts of other people in tables that a spreadsheet may open. */
public final class CsvCells {
    private CsvCells() {}

    /** A text that would be taken for a formula begins with an apostrophe. */
    public static String harmless(String text) {
        return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }
}

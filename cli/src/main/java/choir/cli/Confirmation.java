package choir.cli;

/** A yes from a person at a terminal. */
final class Confirmation {
    private Confirmation() {}

    @SuppressWarnings("SystemConsoleNull")
    static boolean given(String question) {
        var console = System.console();
        if (console == null || !console.isTerminal()) {
            return false;
        }
        var answer = console.readLine("%s [y/N] ", question);
        return answer != null
                && answer.strip().toLowerCase(java.util.Locale.ROOT).startsWith("y");
    }
}

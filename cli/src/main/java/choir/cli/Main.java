package choir.cli;

import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ScopeType;

/** The command line: every command talks to the service and to nothing else. */
@Command(
        name = "choir",
        description = "Motion detection and recording policy for many cameras on recorders of many makes.",
        synopsisSubcommandLabel = "COMMAND",
        versionProvider = Version.class)
public final class Main {
    /** Commands that speak of all the others. */
    private static final Set<String> WHOLE_TREE = Set.of("help", "completion");

    private static final Map<String, Class<?>> COMMANDS = new LinkedHashMap<>();

    static {
        COMMANDS.put("status", StatusCommand.class);
        COMMANDS.put("recorder", RecorderCommand.class);
        COMMANDS.put("camera", CameraCommand.class);
        COMMANDS.put("group", GroupCommand.class);
        COMMANDS.put("template", TemplateCommand.class);
        COMMANDS.put("calendar", CalendarCommand.class);
        COMMANDS.put("use", UseCommand.class);
        COMMANDS.put("unuse", UnuseCommand.class);
        COMMANDS.put("set", SetCommand.class);
        COMMANDS.put("unset", UnsetCommand.class);
        COMMANDS.put("override", OverrideCommand.class);
        COMMANDS.put("copy", CopyCommand.class);
        COMMANDS.put("survey", SurveyCommand.class);
        COMMANDS.put("explain", ExplainCommand.class);
        COMMANDS.put("preview", PreviewCommand.class);
        COMMANDS.put("rollout", RolloutCommand.class);
        COMMANDS.put("sheet", SheetCommand.class);
        COMMANDS.put("audit", AuditCommand.class);
        COMMANDS.put("finding", FindingCommand.class);
        COMMANDS.put("activity", ActivityCommand.class);
        COMMANDS.put("recorded", RecordedCommand.class);
        COMMANDS.put("forecast", ForecastCommand.class);
        COMMANDS.put("clip", ClipCommand.class);
        COMMANDS.put("trial", TrialCommand.class);
        COMMANDS.put("response", ResponseCommand.class);
        COMMANDS.put("report", ReportCommand.class);
        COMMANDS.put("export", ExportCommand.class);
        COMMANDS.put("notice", NoticeCommand.class);
        COMMANDS.put("policy", PolicyCommand.class);
        COMMANDS.put("family", FamilyCommand.class);
        COMMANDS.put("login", LoginCommand.class);
        COMMANDS.put("token", TokenCommand.class);
        COMMANDS.put("second-factor", SecondFactorCommand.class);
        COMMANDS.put("user", UserCommand.class);
        COMMANDS.put("inbox", InboxCommand.class);
        COMMANDS.put("journal", JournalCommand.class);
        COMMANDS.put("check-up", CheckUpCommand.class);
        COMMANDS.put("backup", BackupCommand.class);
        COMMANDS.put("restore", RestoreCommand.class);
        COMMANDS.put("demo", DemoCommand.class);
        COMMANDS.put("serve", ServeCommand.class);
        COMMANDS.put("sh", ShCommand.class);
        COMMANDS.put("completion", CompletionCommand.class);
        COMMANDS.put("names", NamesCommand.class);
        COMMANDS.put("help", HelpTopics.class);
    }

    @Option(
            names = {"-h", "--help"},
            usageHelp = true,
            scope = ScopeType.INHERIT,
            description = "say how it is used")
    @SuppressWarnings("UnusedVariable")
    private boolean help;

    @Option(names = "--version", versionHelp = true, description = "say which version this is")
    @SuppressWarnings("UnusedVariable")
    private boolean version;

    private final Home home;

    private Main(Home home) {
        this.home = home;
    }

    Home home() {
        return home;
    }

    public static void main(String[] arguments) {
        var out = new PrintWriter(System.out, true, System.out.charset());
        System.exit(run(System.getenv(), out, new PrintWriter(System.err, true, System.err.charset()), arguments));
    }

    /**
     * Runs one command and returns its exit code.
     *
     * @param environment of which {@code CHOIR_HOME}, {@code CHOIR_URL} and {@code CHOIR_TOKEN} count
     */
    public static int run(Map<String, String> environment, PrintWriter out, PrintWriter errors, String... arguments) {
        var line = line(new Home(environment), commands(arguments));
        line.setOut(out);
        line.setErr(errors);
        line.setExpandAtFiles(false);
        line.setExecutionExceptionHandler(Main::told);
        line.setParameterExceptionHandler(Main::wrongUsage);
        try {
            Password.refuseInArguments(List.of(arguments));
        } catch (Failure e) {
            errors.println("choir: " + e.getMessage());
            errors.flush();
            return e.exitCode();
        }
        return line.execute(arguments);
    }

    private static CommandLine line(Home home, Map<String, Class<?>> commands) {
        var line = new CommandLine(new Main(home));
        commands.forEach(line::addSubcommand);
        return line;
    }

    /** With all commands. */
    static CommandLine whole(Home home) {
        return line(home, COMMANDS);
    }

    /** Reading the annotations of all commands takes longer than most commands do, so only what is asked for is read. */
    private static Map<String, Class<?>> commands(String... arguments) {
        return arguments.length > 0 && COMMANDS.containsKey(arguments[0]) && !WHOLE_TREE.contains(arguments[0])
                ? Map.of(arguments[0], COMMANDS.get(arguments[0]))
                : COMMANDS;
    }

    private static int told(Exception e, CommandLine line, CommandLine.ParseResult parsed) throws Exception {
        if (e instanceof Failure failure) {
            line.getErr().println("choir: " + Visible.line(String.valueOf(failure.getMessage())));
            line.getErr().flush();
            return failure.exitCode();
        }
        throw e;
    }

    private static String said(CommandLine.ParameterException e, String name) {
        if (e instanceof CommandLine.UnmatchedArgumentException unknown
                && !unknown.getUnmatched().isEmpty()) {
            // A value that follows may be a secret.
            var word = unknown.getUnmatched().getFirst().split("=", 2)[0];
            var hint = unknown.getSuggestions().stream()
                    .findFirst()
                    .map(s -> "; did you mean \"" + s + "\"?")
                    .orElse("");
            return name + " takes no \"" + word + "\"" + hint;
        }
        return String.valueOf(e.getMessage());
    }

    private static int wrongUsage(CommandLine.ParameterException e, String[] arguments) {
        var line = e.getCommandLine();
        var name = line.getCommandSpec().qualifiedName();
        line.getErr().println("choir: " + Visible.line(said(e, name)) + "; see: " + name + " --help");
        line.getErr().flush();
        return Failure.WRONG_USAGE;
    }
}

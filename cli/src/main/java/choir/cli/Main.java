package choir.cli;

import java.io.PrintWriter;
import java.util.Map;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ScopeType;

/** The command line: every command talks to the service and to nothing else. */
@Command(
        name = "choir",
        description = "Motion detection and recording policy for many cameras on recorders of many makes.",
        synopsisSubcommandLabel = "COMMAND",
        version = "choir 0.1.0",
        subcommands = {
            StatusCommand.class,
            RecorderCommand.class,
            CameraCommand.class,
            GroupCommand.class,
            TemplateCommand.class,
            UseCommand.class,
            UnuseCommand.class,
            SetCommand.class,
            UnsetCommand.class,
            ExplainCommand.class,
            PreviewCommand.class,
            RolloutCommand.class,
            AuditCommand.class,
            FindingCommand.class,
            PolicyCommand.class,
            LoginCommand.class,
            TokenCommand.class,
            DemoCommand.class,
            ServeCommand.class,
            HelpTopics.class
        })
public final class Main {
    @Option(
            names = {"-h", "--help"},
            usageHelp = true,
            scope = ScopeType.INHERIT,
            description = "say how it is used")
    private boolean help;

    @Option(names = "--version", versionHelp = true, description = "say which version this is")
    private boolean version;

    private final Home home;

    private Main(Home home) {
        this.home = home;
    }

    Home home() {
        return home;
    }

    public static void main(String[] arguments) {
        var out = new PrintWriter(System.out, true);
        System.exit(run(System.getenv(), out, new PrintWriter(System.err, true), arguments));
    }

    /**
     * Runs one command and returns its exit code.
     *
     * @param environment of which {@code CHOIR_HOME}, {@code CHOIR_URL} and {@code CHOIR_TOKEN} count
     */
    public static int run(Map<String, String> environment, PrintWriter out, PrintWriter errors, String... arguments) {
        var line = new CommandLine(new Main(new Home(environment)));
        line.setOut(out);
        line.setErr(errors);
        line.setExpandAtFiles(false);
        line.setExecutionExceptionHandler(Main::told);
        line.setParameterExceptionHandler(Main::wrongUsage);
        return line.execute(arguments);
    }

    private static int told(Exception e, CommandLine line, CommandLine.ParseResult parsed) throws Exception {
        if (e instanceof Failure failure) {
            line.getErr().println("choir: " + failure.getMessage());
            line.getErr().flush();
            return failure.exitCode();
        }
        throw e;
    }

    private static int wrongUsage(CommandLine.ParameterException e, String[] arguments) {
        var line = e.getCommandLine();
        line.getErr().println("choir: " + e.getMessage());
        if (!CommandLine.UnmatchedArgumentException.printSuggestions(e, line.getErr())) {
            line.getErr().println("see: " + line.getCommandSpec().qualifiedName() + " --help");
        }
        line.getErr().flush();
        return Failure.WRONG_USAGE;
    }
}

package choir.cli;

import java.io.PrintWriter;
import java.util.concurrent.Callable;
import picocli.CommandLine.Help.Ansi;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import tools.jackson.databind.JsonNode;

/** What all commands share: the service to talk to and the way to print. */
abstract class Act implements Callable<Integer> {
    @Spec
    @SuppressWarnings("NullAway.Init")
    private CommandSpec spec;

    @Override
    public Integer call() {
        return run(home().client());
    }

    Home home() {
        return ((Main) spec.root().userObject()).home();
    }

    abstract int run(Client service);

    PrintWriter out() {
        return spec.commandLine().getOut();
    }

    PrintWriter errors() {
        return spec.commandLine().getErr();
    }

    /** A line for people; words of our own may be coloured, those of others cannot do anything to the terminal. */
    void say(String line) {
        out().println(Visible.line(line));
        out().flush();
    }

    Ansi ansi() {
        return spec.commandLine().getColorScheme().ansi();
    }

    /** Waits for long work with a progress bar, and prints its closing note. */
    JsonNode finish(Client service, JsonNode work) {
        try (var bar = new ProgressBar(errors(), work.path("kind").asString(""))) {
            return service.follow(work.path("id").asLong(), bar::show);
        }
    }
}

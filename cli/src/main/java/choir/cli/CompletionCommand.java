package choir.cli;

import java.util.concurrent.Callable;
import picocli.AutoComplete;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

@Command(
        name = "completion",
        description = "Print what makes bash or zsh complete commands: source <(choir completion)")
final class CompletionCommand implements Callable<Integer> {
    @Spec
    @SuppressWarnings("NullAway.Init")
    private CommandSpec spec;

    @Override
    public Integer call() {
        var root = spec.root().commandLine();
        root.getOut().print(AutoComplete.bash("choir", root));
        root.getOut().flush();
        return Failure.DONE;
    }
}

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
    /** Where the commands and options have nothing to offer, the names of cameras, groups, templates and so on have. */
    private static final String NAMES = """
            function _choir_with_names() {
              _complete_choir "$@"
              local word="${COMP_WORDS[COMP_CWORD]}"
              if [[ ${#COMPREPLY[@]} -eq 0 && "$word" != -* ]]; then
                COMPREPLY=($(compgen -W "$(choir names 2>/dev/null)" -- "$word"))
              fi
            }
            complete -o default -F _choir_with_names choir choir.sh choir.bash
            """;

    @Spec
    @SuppressWarnings("NullAway.Init")
    private CommandSpec spec;

    @Override
    public Integer call() {
        var root = spec.root().commandLine();
        root.getOut().print(AutoComplete.bash("choir", root));
        root.getOut().print(NAMES);
        root.getOut().flush();
        return Failure.DONE;
    }
}

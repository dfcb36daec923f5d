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
    /**
     * Where the commands and options have nothing to offer, the names of what is meant at that place have. A colon and an
     * equals sign begin a word of their own for the shell, so what stands before the last of them is not given back.
     */
    private static final String NAMES = """
            function _choir_with_names() {
              _complete_choir "$@"
              local line="${COMP_LINE:0:COMP_POINT}"
              local word="${line##* }"
              if [[ ${#COMPREPLY[@]} -eq 0 ]]; then
                COMPREPLY=($(compgen -W "$(choir names --for "$line" 2>/dev/null)" -- "$word"))
                local kept="${word%"${word##*[:=]}"}"
                if [[ -n "$kept" && "$COMP_WORDBREAKS" == *:* ]]; then
                  COMPREPLY=("${COMPREPLY[@]#"$kept"}")
                fi
                if [[ ${#COMPREPLY[@]} -eq 1 && "${COMPREPLY[0]}" == *[:=] ]]; then
                  compopt -o nospace 2>/dev/null
                fi
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

package choir.cli;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.Model.PositionalParamSpec;

/**
 * Where on a command line a word is being typed.
 *
 * @param noun what the command is about, such as {@code recorder}; empty for the acts of the day
 * @param label what is meant there, as the help calls it, such as {@code CAMERA}
 * @param typed the word so far, without the option that it may stand behind
 * @param before what stands before that in the same word, such as {@code --on=}
 */
record WordAt(String noun, String label, String typed, String before) {
    /** @param words the whole line without the program, the last one being typed; nowhere when no name is meant there */
    static Optional<WordAt> of(CommandSpec root, List<String> words) {
        var at = root;
        @Nullable OptionSpec awaiting = null;
        int position = 0;
        var typed = words.isEmpty() ? "" : words.getLast();
        for (var word : words.subList(0, Math.max(0, words.size() - 1))) {
            var below = at.subcommands().get(word);
            if (awaiting != null) {
                awaiting = null;
            } else if (word.startsWith("-")) {
                awaiting = taking(at, word);
            } else if (below != null && position == 0) {
                at = below.getCommandSpec();
            } else {
                position++;
            }
        }
        int cut = typed.startsWith("--") ? typed.indexOf('=') : -1;
        if (cut > 0) {
            var option = at.findOption(typed.substring(0, cut));
            return of(at, option, typed.substring(cut + 1), typed.substring(0, cut + 1));
        }
        return of(at, awaiting != null ? awaiting : positional(at, position), typed, "");
    }

    private static Optional<WordAt> of(CommandSpec at, @Nullable ArgSpec meant, String typed, String before) {
        return meant == null ? Optional.empty() : Optional.of(new WordAt(noun(at), meant.paramLabel(), typed, before));
    }

    /** The option, when the next word is its value. */
    private static @Nullable OptionSpec taking(CommandSpec at, String word) {
        var option = at.findOption(word);
        return option != null && option.arity().min() > 0 ? option : null;
    }

    private static @Nullable PositionalParamSpec positional(CommandSpec at, int position) {
        return at.positionalParameters().stream()
                .filter(p -> p.index().contains(position))
                .findFirst()
                .orElse(null);
    }

    private static String noun(CommandSpec at) {
        var parent = at.parent();
        return parent == null || parent.parent() == null ? "" : parent.name();
    }
}

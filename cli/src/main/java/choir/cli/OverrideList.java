package choir.cli;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "list",
        description = "Every override with what it does: instead of what, until when, by whom and why.",
        footer = "Take one back with: choir unset NODE KEY")
final class OverrideList extends Act {
    @Parameters(paramLabel = "NODE", arity = "0..1", description = "a group or a camera; everywhere without it")
    private @Nullable String node;

    @Option(names = "--key", paramLabel = "KEY", description = "only of this setting, such as motion.threshold")
    private @Nullable String key;

    @Option(
            names = "--idle",
            description = "only those that do nothing: that have ended, say what holds anyway, or are fixed above")
    private boolean idle;

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var where = Optional.ofNullable(node).map(n -> "?node=" + Client.encode(Nodes.name(service, n)));
        var overrides = Listing.items(service.get("/api/v1/overrides" + where.orElse(""))).stream()
                .filter(o -> key == null || key.equals(Listing.text(o, "key")))
                .filter(o -> !idle || !Listing.text(o, "effect").equals("COUNTS"))
                .toList();
        listing.print(
                out(),
                overrides,
                new Table("where", "setting", "says", "instead of", "does", "until", "by", "because"),
                OverrideList::row,
                idle ? "every override does something" : "no override");
        return Failure.DONE;
    }

    /** Without where it is, and what would hold otherwise. */
    static String[] said(JsonNode o) {
        return new String[] {
            Listing.text(o, "key"),
            value(o),
            Listing.text(o, "words"),
            o.hasNonNull("until") ? Listing.text(o, "until") : "-",
            Listing.text(o, "author"),
            Listing.text(o, "because")
        };
    }

    private static String value(JsonNode o) {
        return (o.hasNonNull("value") ? Listing.text(o, "value") : "left to nobody")
                + (o.path("fixed").asBoolean() ? " (fixed)" : "");
    }

    private static String[] row(JsonNode o) {
        return new String[] {
            Listing.text(o, "node"),
            Listing.text(o, "key"),
            value(o),
            o.hasNonNull("otherwise") ? Listing.text(o, "otherwise") : "nothing",
            Listing.text(o, "words"),
            o.hasNonNull("until") ? Listing.text(o, "until") : "-",
            Listing.text(o, "author"),
            Listing.text(o, "because")
        };
    }
}

package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

@Command(name = "list", description = "Your tokens; their text was shown once and is not kept.")
final class TokenList extends Act {
    @Option(names = "--of", paramLabel = "PERSON", description = "somebody else's, for administrators")
    private @Nullable String of;

    @Mixin
    private Lists listing = new Lists();

    /** @param of whose; the own ones without one */
    static String path(@Nullable String of) {
        return of == null ? "/api/v1/tokens" : "/api/v1/people/" + Client.encode(of) + "/tokens";
    }

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get(path(of))),
                new Table("id", "label", "made", "used last", "ends", "lets in to"),
                TokenList::row,
                "no token");
        return Failure.DONE;
    }

    private static String where(JsonNode token) {
        return token.hasNonNull("place") ? ", in " + Listing.text(token, "place") : "";
    }

    private static String[] row(JsonNode token) {
        return new String[] {
            Listing.number(token, "id"),
            Listing.text(token, "label"),
            Times.of(Listing.text(token, "createdAt")),
            token.hasNonNull("lastUsedAt") ? Times.of(Listing.text(token, "lastUsedAt")) : "never",
            token.hasNonNull("endsAt") ? Times.of(Listing.text(token, "endsAt")) : "when revoked",
            token.hasNonNull("role")
                    ? "what a " + Listing.text(token, "role").toLowerCase(java.util.Locale.ROOT) + " may" + where(token)
                    : "everything" + where(token)
        };
    }
}

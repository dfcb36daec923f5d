package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "sessions", description = "A person's open sessions of the console; your own without a name.")
final class UserSessions extends Act {
    @Parameters(paramLabel = "NAME", arity = "0..1")
    private String name = "";

    @Mixin
    private Lists listing = new Lists();

    /** @param name whose; the own ones when it is empty */
    static String path(String name) {
        return name.isEmpty() ? "/api/v1/sessions" : "/api/v1/people/" + Client.encode(name) + "/sessions";
    }

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get(path(name))),
                new Table("id", "began", "seen last", "from", "by"),
                s -> new String[] {
                    Listing.text(s, "id"),
                    Times.of(Listing.text(s, "began")),
                    Times.of(Listing.text(s, "lastSeen")),
                    Listing.text(s, "address"),
                    Listing.text(s, "program")
                },
                "nobody is signed in to the console by that name");
        return Failure.DONE;
    }
}

package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "Who is told, from which severity on, and when not.")
final class NoticeList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/notices")),
                new Table("id", "way", "to", "severity", "quiet hours", "added by"),
                n -> new String[] {
                    Listing.number(n, "id"),
                    Listing.text(n, "way"),
                    Listing.text(n, "target"),
                    "at least " + Listing.text(n, "severity"),
                    n.has("quietFrom") ? Listing.text(n, "quietFrom") + "-" + Listing.text(n, "quietTo") : "",
                    Listing.text(n, "who")
                },
                "nobody is told; add somebody with: choir notice add mail ADDRESS");
        return Failure.DONE;
    }
}

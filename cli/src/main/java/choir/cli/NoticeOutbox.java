package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "outbox", description = "What was told or waits to be, the newest first.")
final class NoticeOutbox extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/notices/outbox")),
                new Table("id", "notice", "since", "subject", "state", "tried", "trouble"),
                e -> new String[] {
                    Listing.number(e, "id"),
                    Listing.number(e, "notice"),
                    Times.of(Listing.text(e, "createdAt")),
                    Listing.text(e, "subject"),
                    e.has("nextAt")
                            ? "goes out " + Times.of(Listing.text(e, "nextAt"))
                            : Listing.text(e, "state").replace('-', ' '),
                    Listing.number(e, "attempts"),
                    Listing.text(e, "trouble")
                },
                "nothing was told yet");
        return Failure.DONE;
    }
}

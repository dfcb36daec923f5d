package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "Audits, the newest first.")
final class AuditList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/audits")),
                WorkRows.table(),
                WorkRows::row,
                "no audit yet; run one with: choir audit run");
        return Failure.DONE;
    }
}

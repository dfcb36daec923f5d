package choir.cli;

import java.util.List;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/** Prints one thing as the file that it is. */
abstract class ShowsText extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Mixin
    private Listing listing = new Listing();

    /** Of all such things. */
    abstract String path();

    @Override
    int run(Client service) {
        var view = service.get(path() + "/" + Client.encode(name));
        if (!listing.isForPrograms(out(), view, () -> List.of(view))) {
            out().print(Visible.text(Listing.text(view, "text")));
            out().flush();
        }
        return Failure.DONE;
    }
}

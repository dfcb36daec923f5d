package choir.cli;

import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "store",
        description = "Say how large a recorder's store is, since recorders do not tell; forecasts go by it.")
final class RecorderStore extends Act {
    @Parameters(paramLabel = "NAME", index = "0")
    private String name = "";

    @Parameters(paramLabel = "SIZE", index = "1", arity = "0..1", description = "such as 8TB, 500GB or 7.3TiB")
    private Optional<String> size = Optional.empty();

    @Option(names = "--store", paramLabel = "STORE", description = "which, where it has several, such as disk-1")
    private String store = "";

    @Option(names = "--forget", description = "take it back; forecasts then go by what is on it")
    private boolean forget;

    static String path(String recorder, String store) {
        return "/api/v1/recorders/" + Client.encode(recorder) + "/store-size"
                + (store.isEmpty() ? "" : "?store=" + Client.encode(store));
    }

    @Override
    int run(Client service) {
        if (forget == size.isPresent()) {
            throw new Failure(Failure.WRONG_USAGE, "say a size, such as 8TB, or --forget");
        }
        var path = path(name, store);
        if (forget) {
            service.delete(path, Optional.empty());
            say("nobody says any more how large the store of " + name + " is");
        } else {
            service.write("PUT", path, Map.of("size", size.orElseThrow()), Optional.empty());
            say("the store of " + name + " holds " + size.orElseThrow());
        }
        return Failure.DONE;
    }
}

package choir.server.reading;

import choir.footage.Decoder;
import choir.server.ServiceSettings;
import java.nio.file.Path;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The program that decodes footage, unpacked when it is needed first. */
@Component
public class Decoding {
    private final Path folder;
    private Optional<Decoder> decoder = Optional.empty();

    Decoding(ServiceSettings settings) {
        this.folder = settings.data().resolve("programs");
    }

    public synchronized Decoder decoder() {
        if (decoder.isEmpty()) {
            decoder = Optional.of(Decoder.in(folder));
        }
        return decoder.get();
    }
}

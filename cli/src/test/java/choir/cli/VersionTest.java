package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class VersionTest {
    @Test
    void itSaysWhichItIsAndFromWhichCommit() {
        assertThat(Version.number()).matches("\\d+\\.\\d+\\.\\d+.*");
        assertThat(new Version().getVersion()[0]).startsWith("choir " + Version.number() + ", commit ");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0.1.0", "0.1.7", "0.1.0-2", ""})
    void oneMinorVersionGoesTogether(String service) {
        assertThat(Version.doubt(service)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"0.2.0", "0.10.0", "1.1.0", "2", "nonsense"})
    void anotherIsSaid(String service) {
        assertThat(Version.doubt(service).orElseThrow()).contains(Version.number(), service, "take the client");
    }
}

package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** No password stands where others on the same machine read it, and none is repeated. */
class PasswordTest {
    @TempDir
    private Path folder;

    private String refused(String... arguments) {
        var errors = new StringWriter();
        int code = Main.run(
                Map.of("CHOIR_HOME", folder.toString(), "CHOIR_URL", "http://127.0.0.1:9"),
                new PrintWriter(new StringWriter()),
                new PrintWriter(errors),
                arguments);
        assertThat(code).as(errors.toString()).isEqualTo(Failure.WRONG_USAGE);
        return errors.toString();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "login --user ada --password=hunter22",
                "login --user ada --password hunter22",
                "login --user ada --password --new-password=hunter22",
                "recorder add pier-1 --user choir --password hunter22",
                "recorder password pier-1 --user choir --password=hunter22"
            })
    void itIsRefusedInAnArgumentWithoutBeingRepeated(String line) {
        assertThat(refused(line.split(" ")))
                .contains("does not stand in an argument", "-file FILE")
                .doesNotContain("hunter22");
    }

    @Test
    void itIsReadFromTheFirstLineOfAFile() throws IOException {
        var file = Files.writeString(folder.resolve("word"), "a long enough one \nand a note\n");
        assertThat(Password.firstLine(file)).isEqualTo("a long enough one ");
        Password.refuseInArguments(List.of("login", "--password-file", file.toString(), "--password"));
    }

    @Test
    void oneIsNeeded() {
        assertThat(refused("login", "--user", "ada")).contains("--password-file FILE");
    }

    /** To which service it goes is said before it goes, and another one does not get the token of the last. */
    @Test
    void theServiceIsNamedFirst() throws IOException {
        var file = Files.writeString(folder.resolve("word"), "a long enough one");
        var out = new StringWriter();
        int code = Main.run(
                Map.of("CHOIR_HOME", folder.toString(), "CHOIR_URL", "http://127.0.0.1:9"),
                new PrintWriter(out),
                new PrintWriter(new StringWriter()),
                "login",
                "--user",
                "ada",
                "--password-file",
                file.toString());
        assertThat(code).isEqualTo(Failure.NOT_REACHABLE);
        assertThat(out.toString()).startsWith("signing in as ada at http://127.0.0.1:9");
        var home = new Home(Map.of("CHOIR_HOME", folder.toString()));
        home.remember(URI.create("http://127.0.0.1:7480"), "choir_token");
        assertThat(home.tokenFor(URI.create("http://127.0.0.1:7480"))).contains("choir_token");
        assertThat(home.tokenFor(URI.create("http://10.0.0.9:7480"))).isEmpty();
    }
}

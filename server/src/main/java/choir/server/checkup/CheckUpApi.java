package choir.server.checkup;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Is all well with the service? */
@RestController
class CheckUpApi {
    /**
     * @param state {@code well}, {@code look}, {@code wrong} or {@code not-known}
     * @param act what to do about it; empty when nothing
     */
    record CheckView(String about, String state, String words, String act) {}

    /** @param state the worst of all */
    record CheckUpView(String at, String state, List<CheckView> checks) {}

    private final CheckUps checkUps;

    CheckUpApi(CheckUps checkUps) {
        this.checkUps = checkUps;
    }

    @GetMapping("/api/v1/check-up")
    CheckUpView checkUp() {
        var made = checkUps.look();
        return new CheckUpView(
                made.at().toString(),
                CheckUps.word(made.worst()),
                made.lines().stream()
                        .map(l -> new CheckView(
                                l.about(),
                                CheckUps.word(l.seen().state()),
                                l.seen().words(),
                                l.seen().act()))
                        .toList());
    }
}

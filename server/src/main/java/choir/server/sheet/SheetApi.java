package choir.server.sheet;

import choir.server.paper.Paper;
import choir.server.web.FileAnswer;
import choir.server.web.Problem;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Work sheets of recorders that have no network interface. */
@RestController
class SheetApi {
    /**
     * @param version of the sheet that was worked from
     * @param steps their numbers; missing or empty for all
     * @param by who did them, when it was not the one who ticks
     */
    record Ticks(
            @Nullable String version,
            @Nullable List<Integer> steps,
            @Nullable String by) {}

    record Ticked(int settings) {}

    private static final int LONGEST_NAME = 100;

    private final Sheets sheets;

    SheetApi(Sheets sheets) {
        this.sheets = sheets;
    }

    @GetMapping("/api/v1/recorders/{name}/sheet")
    Sheet sheet(@PathVariable String name) {
        return sheets.of(name);
    }

    /**
     * To take along.
     *
     * @param format {@code html} or {@code pdf}
     */
    @GetMapping("/api/v1/recorders/{name}/sheet/file")
    ResponseEntity<byte[]> file(@PathVariable String name, @RequestParam String format) {
        var sheet = sheets.of(name);
        return switch (format) {
            case "html" ->
                FileAnswer.of(
                        SheetPaper.html(sheet, Paper.Fonts.SCREEN).getBytes(StandardCharsets.UTF_8),
                        "text/html;charset=utf-8",
                        name + "-sheet.html");
            case "pdf" -> FileAnswer.of(SheetPaper.pdf(sheet), "application/pdf", name + "-sheet.pdf");
            default ->
                throw new Problem(Problem.Kind.INVALID, "expected the format html or pdf, not \"" + format + "\"");
        };
    }

    private static String by(Ticks given, Principal who) {
        var by = given.by() == null ? "" : given.by().strip();
        if (by.length() > LONGEST_NAME) {
            throw new Problem(Problem.Kind.INVALID, "the name of who did it has at most " + LONGEST_NAME + " letters");
        }
        return by.isEmpty() || by.equals(who.getName()) ? who.getName() : by + ", ticked by " + who.getName();
    }

    /** What is ticked counts as observed by hand, with name and time. */
    @PostMapping("/api/v1/recorders/{name}/sheet/ticks")
    Ticked tick(@PathVariable String name, @RequestBody Ticks given, Principal who) {
        if (given.version() == null) {
            throw new Problem(Problem.Kind.INVALID, "say the version of the sheet that was worked from");
        }
        return new Ticked(
                sheets.tick(name, given.version(), given.steps() == null ? List.of() : given.steps(), by(given, who)));
    }
}

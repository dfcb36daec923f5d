package choir.server.sheet;

import choir.server.web.Problem;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Work sheets of recorders that have no network interface. */
@RestController
class SheetApi {
    /**
     * @param version of the sheet that was worked from
     * @param steps their numbers; missing or empty for all
     */
    record Ticks(@Nullable String version, @Nullable List<Integer> steps) {}

    record Ticked(int settings) {}

    private final Sheets sheets;

    SheetApi(Sheets sheets) {
        this.sheets = sheets;
    }

    @GetMapping("/api/v1/recorders/{name}/sheet")
    Sheet sheet(@PathVariable String name) {
        return sheets.of(name);
    }

    /** What is ticked counts as observed by hand, with name and time. */
    @PostMapping("/api/v1/recorders/{name}/sheet/ticks")
    Ticked tick(@PathVariable String name, @RequestBody Ticks given, Principal who) {
        if (given.version() == null) {
            throw new Problem(Problem.Kind.INVALID, "say the version of the sheet that was worked from");
        }
        return new Ticked(
                sheets.tick(name, given.version(), given.steps() == null ? List.of() : given.steps(), who.getName()));
    }
}

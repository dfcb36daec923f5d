package choir.server.family;

import choir.family.Families;
import choir.family.Family;
import choir.family.FamilySchema;
import choir.policy.SettingKey;
import choir.server.web.Problem;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Families of recorders and the files that describe them. */
@RestController
class FamilyApi {
    /** @param shipped comes with Choir; the others were added here or made from what a recorder said of itself */
    record FamilyRow(String name, String title, String maker, String model, boolean shipped, List<String> settings) {}

    record FamilyFile(String name, String text) {}

    record FamilyText(String text) {}

    private final KnownFamilies families;

    FamilyApi(KnownFamilies families) {
        this.families = families;
    }

    @GetMapping("/api/v1/families")
    List<FamilyRow> families() {
        var added = families.stored().stream().map(KnownFamilies.Stored::name).toList();
        return families.all().stream()
                .map(f -> row(f, !added.contains(f.name())))
                .toList();
    }

    private static FamilyRow row(Family f, boolean shipped) {
        var settings = f.abilities().keySet().stream().map(SettingKey::text).toList();
        return new FamilyRow(f.name(), f.title(), f.maker(), f.model(), shipped, settings);
    }

    /** JSON Schema of a family file. */
    @GetMapping("/api/v1/family-schema")
    Map<String, Object> schema() {
        return FamilySchema.tree();
    }

    @GetMapping("/api/v1/families/{name}")
    FamilyFile family(@PathVariable String name) {
        families.require(name);
        return families.stored().stream()
                .filter(s -> s.name().equals(name))
                .findFirst()
                .map(s -> new FamilyFile(name, s.text()))
                .orElseGet(() -> new FamilyFile(name, Families.file(name)));
    }

    /** One that was added here and that no recorder is of. */
    @DeleteMapping("/api/v1/families/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String name, Principal who) {
        families.remove(name, who.getName());
    }

    @PutMapping("/api/v1/families/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(@PathVariable String name, @RequestBody FamilyText given, Principal who) {
        var read = choir.family.FamilyReader.read(given.text());
        if (!read.name().equals(name)) {
            throw new Problem(
                    Problem.Kind.INVALID, "the text is of family \"" + read.name() + "\", not of \"" + name + "\"");
        }
        families.put(given.text(), who.getName());
    }
}

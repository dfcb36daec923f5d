package choir.family;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The families that Choir ships with. */
public final class Families {
    private static final List<String> SHIPPED = List.of("tern", "gannet", "petrel", "fulmar", "plover", "auk");

    private final Map<String, Family> byName;

    private Families(Map<String, Family> byName) {
        this.byName = byName;
    }

    public static Families shipped() {
        Map<String, Family> byName = new LinkedHashMap<>();
        for (var name : SHIPPED) {
            var family = FamilyReader.read(file(name));
            byName.put(family.name(), family);
        }
        return new Families(Collections.unmodifiableMap(byName));
    }

    /** The text of the file of a family that Choir ships with. */
    public static String file(String name) {
        return resource("/choir/families/" + name + ".yaml");
    }

    /** These and further ones; one of the same name as a shipped one does not count. */
    public Families with(List<Family> further) {
        Map<String, Family> all = new LinkedHashMap<>(byName);
        further.forEach(f -> all.putIfAbsent(f.name(), f));
        return new Families(Collections.unmodifiableMap(all));
    }

    private static String resource(String path) {
        try (var in = Families.class.getResourceAsStream(path)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    public Optional<Family> named(String name) {
        return Optional.ofNullable(byName.get(name));
    }

    /** Of several the one that says most of the model. */
    public Optional<Family> recognise(String manufacturer, String model) {
        return byName.values().stream()
                .filter(f -> f.recognises(manufacturer, model))
                .max(Comparator.comparingInt((Family f) -> f.model().length()).thenComparing(Family::exactly));
    }

    /** Another family that recognises the very same devices, so that nobody could say which of the two is meant. */
    public Optional<Family> rival(Family family) {
        return byName.values().stream()
                .filter(f -> !f.name().equals(family.name()) && !family.maker().isEmpty())
                .filter(f -> f.maker().equalsIgnoreCase(family.maker())
                        && f.model().equalsIgnoreCase(family.model())
                        && f.exactly() == family.exactly())
                .findFirst();
    }

    public java.util.Collection<Family> all() {
        return byName.values();
    }
}

package choir.cli;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** What a word on the command line may name, for the shell's completion. */
@Command(name = "names", hidden = true, description = "Print the names that a word may be, one a line.")
final class NamesCommand extends Act {
    private static final List<String> STATES =
            List.of("at-risk", "cannot-honour", "drifted", "in-tune", "not-governed", "unknown", "waiting");
    private static final List<String> TERMS =
            List.of("group:", "recorder:", "camera:", "template:", "family:", "tag:", "state:", "label:", "not:");
    /** Where the names of each kind are, and what they are called there. */
    private static final Map<String, Source> SOURCES = Map.ofEntries(
            Map.entry("recorder", new Source("/api/v1/recorders", "name")),
            Map.entry("template", new Source("/api/v1/templates", "name")),
            Map.entry("calendar", new Source("/api/v1/calendars", "name")),
            Map.entry("group", new Source("/api/v1/groups", "group")),
            Map.entry("family", new Source("/api/v1/families", "name")),
            Map.entry("setting", new Source("/api/v1/settings", "key")),
            Map.entry("user", new Source("/api/v1/people", "name")),
            Map.entry("finding", new Source("/api/v1/findings", "id")),
            Map.entry("rollout", new Source("/api/v1/rollouts", "id")),
            Map.entry("clip", new Source("/api/v1/clips", "id")),
            Map.entry("plan", new Source("/api/v1/plans", "id")),
            Map.entry("notice", new Source("/api/v1/notices", "id")),
            Map.entry("audit", new Source("/api/v1/audits", "id")),
            Map.entry("token", new Source("/api/v1/tokens", "id")));

    private record Source(String path, String key) {}

    @Option(names = "--for", paramLabel = "LINE", description = "a command line up to where it is typed")
    private String line = "";

    @Override
    int run(Client service) {
        if (line.isEmpty()) {
            Stream.of("recorder", "template", "calendar", "group", "setting", "camera")
                    .flatMap(kind -> names(kind, service))
                    .forEach(this::say);
            return Failure.DONE;
        }
        // What is typed behind a blank is a new word, however empty.
        var words = List.of((line + "\0").split("\\s+"));
        var plain = words.subList(1, words.size()).stream()
                .map(w -> w.replace("\0", ""))
                .toList();
        WordAt.of(Main.whole(home()).getCommandSpec(), plain)
                .ifPresent(
                        at -> meant(at, service).map(name -> at.before() + name).forEach(this::say));
        return Failure.DONE;
    }

    private static Stream<String> meant(WordAt at, Client service) {
        return switch (at.label()) {
            case "CAMERA" -> names("camera", service);
            case "RECORDER" -> names("recorder", service);
            case "GROUP" -> names("group", service);
            case "TEMPLATE" -> names("template", service);
            case "CALENDAR" -> names("calendar", service);
            case "NODE" -> Stream.concat(names("group", service), names("camera", service));
            case "KEY", "SETTING" -> names("setting", service);
            case "KEY=VALUE" -> names("setting", service).map(k -> k + "=");
            case "CLIP" -> names("clip", service);
            case "PERSON" -> names("user", service);
            case "TAG" -> values("tag", service);
            case "SELECTION" -> terms(at.typed(), service);
            case "NAME", "ID" -> names(at.noun(), service);
            default -> Stream.empty();
        };
    }

    /** The term that is being typed, behind those that it is or-ed with, and negated or not. */
    private static Stream<String> terms(String typed, Client service) {
        var term = typed.substring(typed.lastIndexOf(',') + 1);
        var kind = term.substring(term.startsWith("not:") ? 4 : 0);
        var before = typed.substring(0, typed.length() - kind.length());
        int colon = kind.indexOf(':');
        return (colon < 0
                        ? TERMS.stream()
                        : values(kind.substring(0, colon), service).map(v -> kind.substring(0, colon + 1) + v))
                .map(t -> before + t);
    }

    private static Stream<String> values(String kind, Client service) {
        return switch (kind) {
            case "state" -> STATES.stream();
            case "group" -> names("group", service).map(g -> g.replaceFirst("^fleet/", ""));
            case "tag" ->
                service.all("/api/v1/cameras").stream()
                        .flatMap(c -> c.path("tags").valueStream())
                        .map(t -> t.asString(""))
                        .distinct()
                        .sorted();
            default -> names(kind, service);
        };
    }

    private static Stream<String> names(String kind, Client service) {
        if (kind.equals("camera")) {
            return service.all("/api/v1/cameras").stream().map(c -> Listing.text(c, "camera"));
        }
        var source = SOURCES.get(kind);
        if (source == null) {
            return Stream.empty();
        }
        var answer = service.get(source.path());
        // Of a list in pages the first is enough to go on typing by.
        return Listing.items(answer.has("items") ? answer.path("items") : answer).stream()
                .map(i -> i.path(source.key()).asString(""))
                .filter(name -> !name.isEmpty());
    }
}

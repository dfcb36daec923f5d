package choir.document;

import choir.policy.Catalogue;
import java.util.stream.Collectors;

/** The reference of all settings, for people, from the catalogue. */
public final class SettingsReference {
    private SettingsReference() {}

    /** As Markdown. */
    public static String markdown() {
        return "# Settings\n\nWhat a policy can say, in neutral units, whatever the device. Made from the catalogue.\n"
                + Catalogue.sections().stream().map(SettingsReference::section).collect(Collectors.joining());
    }

    private static String section(String section) {
        return "\n## " + section
                + "\n\n| setting | meaning | expected | loss | waste |\n| --- | --- | --- | --- | --- |\n"
                + Catalogue.settings().stream()
                        .filter(s -> s.key().section().equals(section))
                        .map(s -> "| `" + s.key() + "` | " + s.meaning() + " | "
                                + s.type().expected().replace("|", "\\|") + " | " + s.loss() + " | " + s.waste()
                                + " |\n")
                        .collect(Collectors.joining());
    }
}

package choir.server.account;

import choir.refusal.Refusal;
import java.util.Arrays;
import java.util.Locale;

/** What a person may do; each role includes the ones before it. */
enum Role {
    VIEWER,
    TECHNICIAN,
    EDITOR,
    ADMINISTRATOR;

    String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @throws Refusal when it is none */
    static Role of(String word) {
        return Arrays.stream(values())
                .filter(r -> r.word().equals(word.strip()))
                .findFirst()
                .orElseThrow(() -> new Refusal(
                        "\"" + word + "\" is no role; expected viewer, technician, editor or administrator"));
    }
}

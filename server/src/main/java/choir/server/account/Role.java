package choir.server.account;

import java.util.Arrays;
import java.util.List;

/** What a person may do; each role includes the ones before it. */
public enum Role {
    VIEWER,
    TECHNICIAN,
    EDITOR,
    ADMINISTRATOR;

    List<String> included() {
        return Arrays.stream(values())
                .filter(r -> r.ordinal() <= ordinal())
                .map(Role::name)
                .toList();
    }
}

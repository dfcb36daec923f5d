package choir.cli;

import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.JsonNode;

/** What somebody is told who was let in. */
final class Invited {
    private Invited() {}

    /** What stands behind the number sign stays in the browser, so no log on the way keeps the one-time password. */
    static String words(URI service, JsonNode invitation) {
        var name = Listing.text(invitation, "name");
        var once = Listing.text(invitation, "oneTimePassword");
        return name + " opens " + service + "/#invited="
                + URLEncoder.encode(name, StandardCharsets.UTF_8).replace("+", "%20") + ":" + once
                + "\nor signs in with the one-time password " + once + ", and chooses one of their own; within 7 days";
    }
}

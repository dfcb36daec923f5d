package choir.policy;

import choir.refusal.Refusal;
import java.util.Optional;

/**
 * A named bundle of settings.
 *
 * @param revision counted from 1; a revision never changes
 * @param base the template that this one extends
 */
public record Template(TemplateName name, int revision, String title, Optional<TemplateName> base, Layer layer) {
    public Template {
        if (revision < 1) {
            throw new Refusal("revisions count from 1");
        }
        if (title.length() > 200) {
            throw new Refusal("a title has at most 200 characters");
        }
    }
}

package choir.server.policy;

import choir.fleet.Node;
import choir.policy.CalendarName;
import choir.policy.EffectivePolicy;
import choir.policy.NodeWords;
import choir.policy.TemplateName;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is stored of policy and cannot be understood. Whoever it reaches is in trouble, since nobody knows what he ought to
 * hold; everybody else goes on.
 *
 * @param atGroups the settings, as they are stored
 */
public record NotUnderstood(
        Map<Node.Group, Set<String>> atGroups, Set<TemplateName> templates, Set<CalendarName> calendars) {
    public NotUnderstood {
        atGroups = Map.copyOf(atGroups);
        templates = Set.copyOf(templates);
        calendars = Set.copyOf(calendars);
    }

    /**
     * What reaches a camera, in words that say how to put it right; empty when everything was understood.
     *
     * @param reaching names of the templates that reach it
     */
    public Optional<String> reaching(
            Node.Camera camera, Node.Group group, NodeWords own, Set<String> reaching, EffectivePolicy policy) {
        if (!own.notUnderstood().isEmpty()) {
            return Optional.of(override(camera, own.notUnderstood()));
        }
        if (atGroups.isEmpty() && templates.isEmpty() && calendars.isEmpty()) {
            return Optional.empty();
        }
        return group.chain().stream()
                .filter(atGroups::containsKey)
                .findFirst()
                .map(g -> override(g, atGroups.getOrDefault(g, Set.of())))
                .or(() -> template(reaching))
                .or(() -> calendar(policy));
    }

    private static String override(Node node, Set<String> keys) {
        var key = keys.iterator().next();
        return "the override of " + key + " that is stored at " + node.text()
                + " cannot be understood; put it again with: choir set " + node.text() + " " + key + "=VALUE";
    }

    private Optional<String> template(Set<String> reaching) {
        return templates.stream()
                .filter(t -> reaching.contains(t.text()))
                .findFirst()
                .map(t -> "the template " + t
                        + " that is stored cannot be understood; write it again with: choir template edit " + t);
    }

    private Optional<String> calendar(EffectivePolicy policy) {
        return calendars.stream()
                .filter(c -> policy.specialDays()
                        .filter(d -> d.byCalendar().containsKey(c.text()))
                        .isPresent())
                .findFirst()
                .map(c -> "the calendar " + c
                        + " that is stored cannot be understood; write it again with: choir calendar edit " + c);
    }
}

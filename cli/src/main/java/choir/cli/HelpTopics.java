package choir.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Help on a command, or on something that several commands share. */
@Command(name = "help", description = "Help on a command, or on selections, weeks, special-days or exit-codes.")
final class HelpTopics implements java.util.concurrent.Callable<Integer> {
    private static final Map<String, String> TOPICS = new LinkedHashMap<>();

    static {
        TOPICS.put("selections", """
                Which cameras are meant. Words narrow (and), commas widen (or) and bind tighter, not: excludes the one
                term after it, quotes hold spaces, * stands for anything.

                  group:terminals/haldr      all cameras in the group and below it
                  recorder:haldr-1           camera:haldr-1/07        family:tern
                  template:quay-outside      reached by the template, wherever it is used
                  tag:far-view               label:*pier*             a bare word looks in labels and device names, or is a camera's own name
                  state:drifted              in-tune, drifted, waiting, unknown, cannot-honour, not-governed, at-risk

                  choir camera list group:terminals tag:outside,night not:state:in-tune pier
                """);
        TOPICS.put("weeks", """
                What starts recording, one window a line; later lines paint over earlier ones.

                  daily motion                    every minute of the week
                  mon-fri 06:00-18:30 continuous  from is within, to is not; 24:00 is allowed as an end
                  fri-mon 22:00-04:00 motion      days may wrap; the window ends on the next day
                  mon 18:00- continuous           to the end of that day
                  sat,sun none                    records nothing

                Triggers: none, continuous, motion, alarm, analytics; several with commas; motion+alarm for both together.
                Layers meet minute by minute: what a nearer layer does not speak of is left to the farther ones.
                """);
        TOPICS.put("special-days", """
                On which dates another plan holds, from midnight to midnight, instead of the week.

                  recording:
                    special-days:
                      public-holidays: daily continuous        a calendar; see: choir calendar list
                      2027-03-01: daily none; daily 08:00-20:00 continuous
                      winter-timetable: remove                 what a farther layer says of it no longer holds

                A plan speaks of every minute of the day. Where two calendars hold the same date, the one listed first counts.
                A calendar holds dates (2027-01-01), ranges (2027-06-28..2027-07-02) and days of every year (12-25 yearly).
                """);
        TOPICS.put("exit-codes", """
                0 done   1 failed   2 wrong usage   3 something found (an audit found drift, a preview would change something,
                  a rollout skipped a camera)
                4 not allowed   5 not reachable
                """);
    }

    @Spec
    @SuppressWarnings("NullAway.Init")
    private CommandSpec spec;

    @Parameters(arity = "0..*", paramLabel = "TOPIC", description = "a topic, or a command as it is typed")
    private List<String> topic = List.of();

    /** As far as the words go. */
    private CommandLine command(CommandLine root) {
        var command = root;
        for (var word : topic) {
            var next = command.getSubcommands().get(word);
            if (next == null) {
                var expected = word.equals(topic.getFirst())
                        ? "a command or one of " + String.join(", ", TOPICS.keySet())
                        : "one of " + String.join(", ", command.getSubcommands().keySet());
                throw new Failure(
                        Failure.WRONG_USAGE,
                        "there is no help on \"" + String.join(" ", topic) + "\"; expected " + expected);
            }
            command = next;
        }
        return command;
    }

    @Override
    public Integer call() {
        var root = spec.parent().commandLine();
        var out = root.getOut();
        if (topic.isEmpty()) {
            root.usage(out);
            out.println("Topics for choir help: " + String.join(", ", TOPICS.keySet()));
        } else if (topic.size() == 1 && TOPICS.containsKey(topic.getFirst())) {
            out.print(TOPICS.get(topic.getFirst()));
        } else {
            command(root).usage(out);
        }
        out.flush();
        return Failure.DONE;
    }
}

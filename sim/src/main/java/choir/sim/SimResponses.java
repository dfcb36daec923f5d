package choir.sim;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.regex.Pattern;
import org.w3c.dom.Element;

/** What a recorder does when it is told to try what it does when something moves. */
final class SimResponses {
    private static final Pattern COMMAND =
            Pattern.compile("([a-z]+):Test(Mail|Still|Sound|Upload|Program)/([0-9A-Za-z-]+)");

    /** Takes mail that a recorder sends. */
    interface Post {
        void take(String to, String subject, String text, byte[] still);
    }

    /** What it was told, the last first. */
    static final class Done {
        private static final int KEPT = 50;
        private final Deque<String> words = new ArrayDeque<>();

        synchronized void add(String what) {
            words.addFirst(what);
            if (words.size() > KEPT) {
                words.removeLast();
            }
        }

        synchronized List<String> words() {
            return List.copyOf(words);
        }
    }

    private final SimRecorder recorder;

    SimResponses(SimRecorder recorder) {
        this.recorder = recorder;
    }

    String command(Element operation) {
        var text = Xml.text(operation, "AuxiliaryCommand").orElse("");
        var command = COMMAND.matcher(text);
        if (!command.matches() || !command.group(1).equals(recorder.model.make())) {
            throw new SimSoapFault(
                    "Receiver", "ActionNotSupported", "AuxiliaryDataNotSupported", "There is no command " + text);
        }
        var channel = recorder.channels.stream()
                .filter(c -> c.place.equals(command.group(3)))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue("AuxiliaryDataNotSupported", "There is no such channel"));
        var set = channel.values.entrySet().stream()
                .filter(v -> v.getKey().endsWith("." + command.group(2)))
                .map(java.util.Map.Entry::getValue)
                .findFirst()
                .orElseThrow(() -> new SimSoapFault(
                        "Receiver", "ActionNotSupported", "AuxiliaryDataNotSupported", "It does no such thing"));
        if (set.equals("off") || set.equals("false")) {
            throw SimSoapFault.wrongValue("AuxiliaryDataNotSupported", command.group(2) + " is switched off there");
        }
        done(command.group(2), channel, set);
        return "<tds:SendAuxiliaryCommandResponse><tds:AuxiliaryCommandResponse>done: "
                + Xml.escape(command.group(2) + " " + set)
                + "</tds:AuxiliaryCommandResponse></tds:SendAuxiliaryCommandResponse>";
    }

    private void done(String what, SimChannel channel, String set) {
        recorder.tried.add(what + " " + set + " at " + channel.place);
        if (what.equals("Mail")) {
            recorder.post.ifPresent(post -> post.take(
                    set,
                    "Motion at " + channel.label,
                    recorder.name + " tries what it does when something moves at " + channel.label + ".",
                    Scene.picture(
                            channel.scene,
                            recorder.name + "/" + channel.place,
                            recorder.localTime(),
                            channel.motionNow)));
        }
    }
}

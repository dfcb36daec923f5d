package choir.sim;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpExchange;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.util.Arrays;
import java.util.stream.Collectors;

/** A mail server that takes everything and passes nothing on; what came can be read, the newest first. */
final class MailCatcher implements AutoCloseable {
    private static final int KEPT = 200;

    private final GreenMail mail;

    MailCatcher(int port) {
        mail = new GreenMail(new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        mail.start();
    }

    void handle(HttpExchange exchange) throws IOException {
        var caught = mail.getReceivedMessages();
        var text = new StringBuilder();
        for (int i = caught.length - 1; i >= Math.max(0, caught.length - KEPT); i--) {
            text.append(shown(caught[i]));
        }
        SoapDoor.send(
                exchange, 200, "text/plain; charset=utf-8", text.isEmpty() ? "no mail has come\n" : text.toString());
        forget(caught.length);
    }

    /** So that a demo that runs for weeks does not fill its memory. */
    private void forget(int count) {
        if (count > 2 * KEPT) {
            try {
                mail.purgeEmailFromAllMailboxes();
            } catch (com.icegreen.greenmail.store.FolderException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private static String shown(MimeMessage message) throws IOException {
        try {
            var to = Arrays.stream(message.getAllRecipients())
                    .map(String::valueOf)
                    .collect(Collectors.joining(", "));
            return "To: " + to + "\nDate: " + message.getSentDate() + "\nSubject: " + message.getSubject() + "\n\n"
                    + message.getContent() + "\n" + "-".repeat(72) + "\n";
        } catch (MessagingException e) {
            return "a mail that cannot be read: " + e.getMessage() + "\n";
        }
    }

    @Override
    public void close() {
        mail.stop();
    }
}

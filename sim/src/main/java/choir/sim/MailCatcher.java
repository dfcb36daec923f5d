package choir.sim;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import com.sun.net.httpserver.HttpExchange;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.util.Arrays;
import java.util.stream.Collectors;

/** A mail server that takes everything and passes nothing on; what came can be read, the newest first. */
final class MailCatcher implements AutoCloseable {
    private static final int KEPT = 200;

    private final GreenMail mail;
    private final ServerSetup setup;

    MailCatcher(int port) {
        setup = new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP);
        mail = new GreenMail(setup);
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

    /** A recorder's mail, as any sends it. */
    void take(String to, String subject, String text, byte[] still) {
        GreenMailUtil.sendAttachmentEmail(
                to, "recorder@skerry.example", subject, text, still, "image/jpeg", "still.jpg", "what moved", setup);
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
                    + content(message.getContent()) + "\n" + "-".repeat(72) + "\n";
        } catch (MessagingException e) {
            return "a mail that cannot be read: " + e.getMessage() + "\n";
        }
    }

    private static String content(Object content) throws IOException, MessagingException {
        if (!(content instanceof Multipart parts)) {
            return String.valueOf(content);
        }
        var text = new StringBuilder();
        for (int i = 0; i < parts.getCount(); i++) {
            var part = parts.getBodyPart(i);
            text.append(
                    part.getFileName() == null
                            ? part.getContent()
                            : "\n[" + part.getFileName() + ", " + part.getContentType() + "]");
        }
        return text.toString();
    }

    @Override
    public void close() {
        mail.stop();
    }
}

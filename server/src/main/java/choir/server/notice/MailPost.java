package choir.server.notice;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.nio.file.Files;
import java.time.Duration;
import java.util.Date;
import java.util.Properties;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/** Sends by SMTP (RFC 5321). */
@Component
class MailPost {
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    private final MailSettings settings;

    MailPost(MailSettings settings) {
        this.settings = settings;
    }

    void send(Target.Mail to, OutboxStore.Entry entry) throws NotSent {
        var host = settings.server()
                .orElseThrow(() -> new NotSent("no mail server is set; the service's choir.mail.host says which"));
        var sender = sender(host);
        try {
            sender.send(message(sender, to, entry));
        } catch (MailException | MessagingException e) {
            throw new NotSent(host + ":" + settings.port() + " did not take the mail: " + reason(e), e);
        }
    }

    private JavaMailSenderImpl sender(String host) {
        var sender = new JavaMailSenderImpl();
        sender.setHost(host);
        sender.setPort(settings.port());
        sender.setDefaultEncoding("UTF-8");
        var properties = new Properties();
        var patience = Long.toString(PATIENCE.toMillis());
        for (var timeout : new String[] {"connectiontimeout", "timeout", "writetimeout"}) {
            properties.setProperty("mail.smtp." + timeout, patience);
        }
        if (settings.starttls()) {
            properties.setProperty("mail.smtp.starttls.enable", "true");
            properties.setProperty("mail.smtp.starttls.required", "true");
            properties.setProperty("mail.smtp.ssl.checkserveridentity", "true");
        }
        if (settings.user() != null && settings.password() != null) {
            properties.setProperty("mail.smtp.auth", "true");
            sender.setUsername(settings.user());
            sender.setPassword(settings.password());
        }
        sender.setJavaMailProperties(properties);
        return sender;
    }

    private MimeMessage message(JavaMailSenderImpl sender, Target.Mail to, OutboxStore.Entry entry)
            throws MessagingException {
        var message = sender.createMimeMessage();
        var helper = new MimeMessageHelper(message, entry.attachment().isPresent(), "UTF-8");
        helper.setFrom(settings.from());
        helper.setTo(to.text());
        helper.setSubject(oneLine(entry.subject()));
        helper.setText(entry.body());
        if (entry.attachment().isPresent()) {
            var file = entry.attachment().get();
            if (!Files.isRegularFile(file)) {
                throw new MessagingException("the file " + file.getFileName() + " is there no more");
            }
            helper.addAttachment(file.getFileName().toString(), file.toFile());
        }
        helper.setSentDate(Date.from(entry.createdAt()));
        // Nothing answers by itself to what a program sends (RFC 3834).
        message.setHeader("Auto-Submitted", "auto-generated");
        message.saveChanges();
        message.setHeader(
                "Message-ID", "<outbox-" + entry.id() + "." + entry.createdAt().toEpochMilli() + "@choir>");
        return message;
    }

    private static String oneLine(String text) {
        return text.replaceAll("\\p{Cntrl}+", " ");
    }

    private static String reason(Exception e) {
        Throwable deepest = e;
        while (deepest.getCause() != null) {
            deepest = deepest.getCause();
        }
        return String.valueOf(deepest.getMessage()).strip();
    }
}

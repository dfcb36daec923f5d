package choir.server.web;

import choir.refusal.Refusal;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;

/** Mail addresses as people type them. */
public final class MailAddress {
    private MailAddress() {}

    /**
     * @return the address without blanks around it
     * @throws Refusal when it is none
     */
    public static String require(String text) {
        try {
            new InternetAddress(text.strip(), true).validate();
            return text.strip();
        } catch (AddressException e) {
            throw new Refusal("\"" + text + "\" is no mail address: " + e.getMessage());
        }
    }
}

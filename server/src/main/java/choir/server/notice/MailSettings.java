package choir.server.notice;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * The mail server by which notices go out.
 *
 * @param host without one no mail is sent
 * @param starttls that the connection is encrypted before anything is said; refused otherwise
 */
@ConfigurationProperties(value = "choir.mail", ignoreUnknownFields = false)
record MailSettings(
        @Nullable String host,
        @DefaultValue("25") int port,
        @Nullable String user,
        @Nullable String password,
        @DefaultValue("choir@localhost") String from,
        @DefaultValue("false") boolean starttls) {
    Optional<String> server() {
        return Optional.ofNullable(host).filter(h -> !h.isBlank());
    }

    @Override
    public String toString() {
        return "mail by " + host + ":" + port;
    }
}

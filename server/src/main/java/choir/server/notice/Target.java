package choir.server.notice;

import choir.refusal.Refusal;
import choir.server.web.MailAddress;
import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.util.Locale;

/** By which way something is told, and to where. */
sealed interface Target {
    String way();

    String text();

    record Mail(String text) implements Target {
        public Mail {
            text = MailAddress.require(text);
        }

        @Override
        public String way() {
            return "mail";
        }
    }

    /** An address that takes events by HTTP; what goes over a network is encrypted. */
    record Webhook(URI address) implements Target {
        public Webhook {
            var scheme = String.valueOf(address.getScheme()).toLowerCase(Locale.ROOT);
            if (address.getHost() == null || !(scheme.equals("https") || scheme.equals("http"))) {
                throw new Refusal("\"" + address + "\" is no address that takes events; expected https://HOST/PATH");
            }
            if (address.getUserInfo() != null) {
                throw new Refusal("an address with a password in it would be shown; events are signed instead");
            }
            if (scheme.equals("http") && !isHere(address.getHost())) {
                throw new Refusal("events go to another machine by https alone, not to " + address);
            }
        }

        private static boolean isHere(String host) {
            try {
                return InetAddress.getByName(host).isLoopbackAddress();
            } catch (UnknownHostException e) {
                return false;
            }
        }

        @Override
        public String way() {
            return "webhook";
        }

        @Override
        public String text() {
            return address.toString();
        }
    }

    static Target of(String way, String text) {
        return switch (way) {
            case "mail" -> new Mail(text.strip());
            case "webhook" -> {
                try {
                    yield new Webhook(new URI(text.strip()));
                } catch (URISyntaxException e) {
                    throw new Refusal("\"" + text + "\" is no address: " + e.getReason());
                }
            }
            default -> throw new Refusal("expected mail or webhook, not \"" + way + "\"");
        };
    }
}

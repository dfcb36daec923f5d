package choir.onvif;

import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import java.io.IOException;
import java.net.URI;
import java.util.Locale;
import java.util.Optional;
import org.apache.hc.client5.http.auth.AuthChallenge;
import org.apache.hc.client5.http.auth.AuthScope;
import org.apache.hc.client5.http.auth.AuthenticationException;
import org.apache.hc.client5.http.auth.ChallengeType;
import org.apache.hc.client5.http.auth.MalformedChallengeException;
import org.apache.hc.client5.http.auth.UsernamePasswordCredentials;
import org.apache.hc.client5.http.impl.auth.AuthChallengeParser;
import org.apache.hc.client5.http.impl.auth.BasicCredentialsProvider;
import org.apache.hc.client5.http.impl.auth.DigestScheme;
import org.apache.hc.client5.http.protocol.HttpClientContext;
import org.apache.hc.core5.http.HttpHost;
import org.apache.hc.core5.http.ParseException;
import org.apache.hc.core5.http.message.BasicHttpRequest;
import org.apache.hc.core5.http.message.ParserCursor;

/** Proves the password for a stream by digest, as for any request; the challenge is that of RTSP itself. */
final class RtspProof {
    private final RecorderAccess access;
    private final HttpHost host;
    private final BasicCredentialsProvider credentials = new BasicCredentialsProvider();
    private final DigestScheme scheme = new DigestScheme();
    private boolean challenged;
    private boolean refusedOnce;

    RtspProof(RecorderAccess access, URI stream) {
        this.access = access;
        this.host = new HttpHost("rtsp", stream.getHost(), stream.getPort());
        credentials.setCredentials(
                new AuthScope(null, -1),
                new UsernamePasswordCredentials(access.user(), access.password().toCharArray()));
    }

    /** The request with its proof, once one was asked for. */
    synchronized RtspMessage signed(RtspMessage request) throws IOException {
        if (!challenged) {
            return request;
        }
        var parts = request.first().split(" ", 3);
        try {
            if (!scheme.isResponseReady(host, credentials, HttpClientContext.create())) {
                return request;
            }
            return request.with(
                    "Authorization",
                    scheme.generateAuthResponse(host, request(parts[0], parts[1]), HttpClientContext.create()));
        } catch (AuthenticationException e) {
            throw new IOException("a challenge that cannot be answered", e);
        }
    }

    /** Its address is told whole, as RTSP has it. */
    private static BasicHttpRequest request(String method, String address) {
        return new BasicHttpRequest(method, address) {
            @Override
            public String getRequestUri() {
                return address;
            }
        };
    }

    /** Takes a challenge; tells why it cannot be answered, if so. */
    synchronized Optional<LinkException> challenged(RtspMessage answer) {
        var challenge = answer.all("WWW-Authenticate").stream()
                .flatMap(header -> parsed(header).stream())
                .filter(c -> c.getSchemeName().toLowerCase(Locale.ROOT).equals("digest"))
                .findFirst();
        if (challenge.isEmpty()) {
            return Optional.of(new LinkException(
                    Reason.NOT_AUTHORIZED,
                    access.who() + " asks for the password of its stream in a readable form, which is not sent"));
        }
        if (refusedOnce) {
            return Optional.of(new LinkException(
                    Reason.NOT_AUTHORIZED, access.who() + " does not take user or password for its stream"));
        }
        refusedOnce = true;
        challenged = true;
        try {
            scheme.processChallenge(challenge.get(), HttpClientContext.create());
        } catch (MalformedChallengeException e) {
            return Optional.of(new LinkException(
                    Reason.GARBAGE, access.who() + " challenges for its stream in a form that is none", e));
        }
        return Optional.empty();
    }

    synchronized void letIn() {
        refusedOnce = false;
    }

    private static java.util.List<AuthChallenge> parsed(String header) {
        try {
            return AuthChallengeParser.INSTANCE.parse(
                    ChallengeType.TARGET, header, new ParserCursor(0, header.length()));
        } catch (ParseException e) {
            return java.util.List.of();
        }
    }
}

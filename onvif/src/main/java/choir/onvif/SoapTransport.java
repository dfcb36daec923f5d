package choir.onvif;

import choir.link.LinkException;
import choir.link.LinkException.Reason;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.math.BigDecimal;
import java.net.ConnectException;
import java.net.URI;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.net.ssl.SSLException;
import javax.xml.stream.XMLStreamException;
import org.apache.hc.client5.http.auth.AuthSchemeFactory;
import org.apache.hc.client5.http.auth.StandardAuthScheme;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.classic.methods.HttpPost;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.auth.DigestSchemeFactory;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.client5.http.protocol.HttpClientContext;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.NoHttpResponseException;
import org.apache.hc.core5.http.config.RegistryBuilder;
import org.apache.hc.core5.http.io.entity.StringEntity;
import org.apache.hc.core5.pool.PoolConcurrencyPolicy;
import org.apache.hc.core5.util.TimeValue;
import org.apache.hc.core5.util.Timeout;

/** Sends one envelope and reads one. Every call has a deadline, every answer a largest size. */
final class SoapTransport implements AutoCloseable {
    static final int LARGEST_ANSWER = 4 * 1024 * 1024;

    private static final ScheduledThreadPoolExecutor ALARMS = alarms();

    /**
     * Whether a kept connection is looked at before it is used. What changes something is not sent on one that was closed
     * meanwhile, since it could not be sent again.
     */
    private static final ThreadLocal<Boolean> LOOKED_AT = ThreadLocal.withInitial(() -> false);

    private static final int LARGEST_PICTURE = 4 * 1024 * 1024;

    private final CloseableHttpClient http;
    private final Duration deadline;

    private static ScheduledThreadPoolExecutor alarms() {
        var alarms = new ScheduledThreadPoolExecutor(
                1, Thread.ofPlatform().name("alarm").daemon().factory());
        alarms.setRemoveOnCancelPolicy(true);
        return alarms;
    }

    SoapTransport(Duration deadline) {
        this(deadline, List.of());
    }

    /** @param authorities who vouch for certificates of recorders */
    SoapTransport(Duration deadline, Collection<X509Certificate> authorities) {
        this.deadline = deadline;
        var timeout = Timeout.of(deadline);
        var usual = ConnectionConfig.custom()
                .setConnectTimeout(timeout)
                .setSocketTimeout(timeout)
                .build();
        var looked = ConnectionConfig.copy(usual)
                .setValidateAfterInactivity(TimeValue.ZERO_MILLISECONDS)
                .build();
        var connections = PoolingHttpClientConnectionManagerBuilder.create()
                .setTlsSocketStrategy(new PinnedTls(authorities))
                .setMaxConnTotal(512)
                .setMaxConnPerRoute(512)
                .setPoolConcurrencyPolicy(PoolConcurrencyPolicy.LAX)
                .setConnectionConfigResolver(route -> LOOKED_AT.get() ? looked : usual)
                .build();
        // A challenge that would have the password sent as it can be read is not answered.
        var answered = RegistryBuilder.<AuthSchemeFactory>create()
                .register(StandardAuthScheme.DIGEST, DigestSchemeFactory.INSTANCE)
                .build();
        this.http = HttpClients.custom()
                .setConnectionManager(connections)
                // A connection that a confirmed certificate opened is nobody else's.
                .setUserTokenHandler((route, context) -> PinnedTls.state(context))
                .setDefaultAuthSchemeRegistry(answered)
                .setDefaultRequestConfig(RequestConfig.custom()
                        .setConnectionRequestTimeout(timeout)
                        .setResponseTimeout(timeout)
                        .setRedirectsEnabled(false)
                        .build())
                .disableAutomaticRetries()
                .disableCookieManagement()
                .disableRedirectHandling()
                .build();
    }

    /** Status and envelope; the envelope is missing only for a refusal without one, 401 or 403. */
    record Answer(
            int status, @org.jspecify.annotations.Nullable Element envelope) {}

    /**
     * @param again whether to ask once more when a connection that was kept turns out to be closed; not for what changes
     *     something, since it may have arrived
     */
    Answer send(URI address, Element envelope, HttpClientContext context, Deadline conversation, boolean again) {
        var content = ElementWriter.write(envelope);
        LOOKED_AT.set(!again);
        try {
            return send(address, content, context, conversation);
        } catch (LinkException e) {
            if (again && e.reason() == Reason.UNREACHABLE && wasKept(context)) {
                // There may be more of them that were closed.
                LOOKED_AT.set(true);
                return send(address, content, context, conversation);
            }
            throw e;
        } finally {
            LOOKED_AT.remove();
        }
    }

    private static boolean wasKept(HttpClientContext context) {
        var details = context.getEndpointDetails();
        return details != null && details.getRequestCount() > 1;
    }

    private Answer send(URI address, String content, HttpClientContext context, Deadline conversation) {
        var post = new HttpPost(address);
        post.setEntity(new StringEntity(content, ContentType.parse("application/soap+xml; charset=utf-8")));
        return within(
                post,
                conversation,
                () -> http.execute(post, context, response -> read(post, address, conversation, response)));
    }

    /** A picture; the answer to a challenge comes from the context's credentials. */
    byte[] picture(URI address, HttpClientContext context, Deadline conversation) {
        var get = new HttpGet(address);
        return within(
                get,
                conversation,
                () -> http.execute(get, context, response -> {
                    if (response.getCode() != 200 || response.getEntity() == null) {
                        throw new LinkException(
                                response.getCode() == 401 ? Reason.NOT_AUTHORIZED : Reason.NOT_SUPPORTED,
                                conversation.who() + " answered " + response.getCode() + " instead of a picture");
                    }
                    var picture = new Bounded(response.getEntity().getContent(), LARGEST_PICTURE)
                            .readNBytes(LARGEST_PICTURE + 1);
                    if (picture.length < 2 || (picture[0] & 255) != 0xFF) {
                        throw new LinkException(
                                Reason.GARBAGE, conversation.who() + " gave something that is no picture");
                    }
                    return picture;
                }));
    }

    @FunctionalInterface
    private interface Exchange<T> {
        T run() throws IOException;
    }

    /**
     * Breaks the exchange off when its time is over. Timeouts of the socket alone would not do: a device that sends a byte
     * now and then, in a header, in a chunk's extension or in answers that announce others, would be waited for without
     * end.
     */
    private <T> T within(HttpUriRequestBase request, Deadline conversation, Exchange<T> exchange) {
        var left = conversation.left();
        if (conversation.isOver()) {
            throw tookTooLong(conversation);
        }
        var rung = new AtomicBoolean();
        var time = left.compareTo(deadline) < 0 ? left : deadline;
        var alarm = ALARMS.schedule(
                () -> {
                    rung.set(true);
                    request.cancel();
                },
                time.toNanos(),
                TimeUnit.NANOSECONDS);
        try {
            return exchange.run();
        } catch (IOException e) {
            if (rung.get() || e instanceof InterruptedIOException) {
                throw conversation.isOver() ? tookTooLong(conversation) : timedOut(conversation, e);
            }
            throw PinnedTls.RefusedException.in(e)
                    .map(refused -> new LinkException(
                            conversation.who() + " was told nothing: " + refused.getMessage()
                                    + (refused.isAnother()
                                            ? "; if it is the right one, say so with: choir recorder certificate "
                                                    + conversation.who() + " --fingerprint " + refused.presented()
                                            : ""),
                            refused.presented()))
                    .orElseGet(() -> new LinkException(
                            Reason.UNREACHABLE, conversation.who() + " cannot be reached: " + plain(e), e));
        } finally {
            alarm.cancel(false);
        }
    }

    private static LinkException tookTooLong(Deadline conversation) {
        return new LinkException(
                Reason.TIMED_OUT,
                conversation.who() + " answers so slowly that " + seconds(conversation.whole())
                        + " s were not enough for everything that had to be asked");
    }

    private LinkException timedOut(Deadline conversation, IOException e) {
        return new LinkException(
                Reason.TIMED_OUT, conversation.who() + " did not answer within " + seconds(deadline) + " s", e);
    }

    private static String seconds(Duration duration) {
        return BigDecimal.valueOf(duration.toMillis(), 3).stripTrailingZeros().toPlainString();
    }

    private static String plain(IOException e) {
        return switch (e) {
            case NoHttpResponseException none -> "it closed the connection without an answer";
            case ConnectException refused -> "nothing listens there";
            case SSLException tls -> "no TLS could be agreed on (" + tls.getMessage() + ")";
            default -> e.getMessage() == null ? "the connection broke" : e.getMessage();
        };
    }

    /** A connection whose answer is not read to its end is broken off, since closing it would read on. */
    private Answer read(HttpPost post, URI address, Deadline conversation, ClassicHttpResponse response)
            throws IOException {
        boolean whole = false;
        try {
            var answer = read(address, conversation, response);
            whole = true;
            return answer;
        } finally {
            if (!whole) {
                post.cancel();
            }
        }
    }

    private static Answer read(URI address, Deadline conversation, ClassicHttpResponse response) throws IOException {
        int status = response.getCode();
        if (status == 503 || status == 404 || status == 405) {
            throw new LinkException(
                    status == 503 ? Reason.REFUSED : Reason.NOT_SUPPORTED,
                    conversation.who() + " answered " + status
                            + (status == 503 ? " (busy)" : " at " + address.getPath()));
        }
        if (status == 401 && asksForReadablePassword(response)) {
            throw new LinkException(
                    Reason.NOT_AUTHORIZED,
                    conversation.who()
                            + " asks for the password in a form that anybody on the way can read, so it was not"
                            + " given; set the recorder to digest authentication");
        }
        if (status == 401 || response.getEntity() == null) {
            return new Answer(status, null);
        }
        var in = new Bounded(response.getEntity().getContent(), LARGEST_ANSWER);
        try {
            return new Answer(status, ElementReader.read(in));
        } catch (XMLStreamException | IllegalArgumentException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            if (status == 403) {
                return new Answer(status, null); // without a body, or with a page for people
            }
            throw new LinkException(
                    Reason.GARBAGE,
                    conversation.who() + " gave an answer that cannot be understood (HTTP " + status + ")",
                    e);
        }
    }

    private static boolean asksForReadablePassword(ClassicHttpResponse response) {
        var challenges = Arrays.stream(response.getHeaders("WWW-Authenticate"))
                .map(h -> h.getValue().strip().toLowerCase(Locale.ROOT))
                .toList();
        return challenges.stream().anyMatch(c -> c.startsWith("basic"))
                && challenges.stream().noneMatch(c -> c.contains("digest"));
    }

    @Override
    public void close() {
        http.close(org.apache.hc.core5.io.CloseMode.IMMEDIATE);
    }

    /** A body that ends with an error when it is too large. */
    private static final class Bounded extends FilterInputStream {
        private final int most;
        private int left;

        Bounded(InputStream in, int most) {
            super(in);
            this.most = most;
            this.left = most;
        }

        @Override
        public int read() throws IOException {
            var one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 255;
        }

        @Override
        public int read(byte[] to, int offset, int length) throws IOException {
            int count = super.read(to, offset, length);
            left -= Math.max(0, count);
            if (left < 0) {
                throw new LinkException(Reason.GARBAGE, "the answer is larger than " + (most >> 20) + " MiB");
            }
            return count;
        }
    }
}

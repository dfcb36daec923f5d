package choir.server.web;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Takes the body of a request in before anybody looks at the request: bounded in size, in time, and over all requests
 * together. While it comes no thread waits for it, so that a thousand slow ones are a thousand connections and nothing else.
 * Footage that somebody brings is far larger, and is read piece by piece by who takes it in.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class Bodies extends OncePerRequestFilter {
    private static final Logger LOG = LoggerFactory.getLogger(Bodies.class);
    private static final String TAKEN = "choir.body";
    private static final String FOOTAGE = "/api/v1/clip-files";

    /** Sets of policy files and lists of cameras. */
    private static final int LARGEST = 16_000_000;

    /** A name and a password. */
    private static final int LARGEST_OF_SIGN_IN = 16_000;

    private static final long MOST_AT_ONCE =
            Math.max(LARGEST, Runtime.getRuntime().maxMemory() / 8);
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final long BYTES_A_SECOND = 100_000;
    private static final int PIECE = 8_192;

    private final AtomicLong held = new AtomicLong();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getAttribute(TAKEN) instanceof Taken taken) {
            chain.doFilter(taken.with(request), response);
        } else if (request.getDispatcherType() != DispatcherType.REQUEST || !hasBody(request)) {
            chain.doFilter(request, response);
        } else {
            take(request, response);
        }
    }

    /** A request comes by here again once its body is there. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    private static boolean hasBody(HttpServletRequest request) {
        return (request.getContentLengthLong() > 0 || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null)
                && !request.getRequestURI().equals(FOOTAGE);
    }

    private void take(HttpServletRequest request, HttpServletResponse response) throws IOException {
        int largest = request.getRequestURI().startsWith("/api/v1/session") ? LARGEST_OF_SIGN_IN : LARGEST;
        long length = request.getContentLengthLong();
        if (length > largest) {
            ProblemAnswer.writeLast(response, 413, tooLarge(largest));
            return;
        }
        var context = request.startAsync(request, response);
        context.setTimeout(PATIENCE.toMillis() + Math.max(0, length) * 1_000 / BYTES_A_SECOND);
        var reading = new Reading(context, request.getInputStream(), largest);
        context.addListener(reading);
        request.getInputStream().setReadListener(reading);
    }

    private static String tooLarge(int largest) {
        return "a body of more than " + largest / 1_000 + " kB is not taken here";
    }

    /** A body on its way. */
    private final class Reading implements ReadListener, AsyncListener {
        private final AsyncContext context;
        private final ServletInputStream in;
        private final int largest;
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        private final AtomicBoolean over = new AtomicBoolean();
        private final AtomicLong reserved = new AtomicLong();

        Reading(AsyncContext context, ServletInputStream in, int largest) {
            this.context = context;
            this.in = in;
            this.largest = largest;
        }

        @Override
        public void onDataAvailable() throws IOException {
            var piece = new byte[PIECE];
            while (in.isReady() && !in.isFinished()) {
                int count = in.read(piece);
                if (count < 0) {
                    return;
                }
                if (bytes.size() + count > largest) {
                    end(413, tooLarge(largest));
                    return;
                }
                reserved.addAndGet(count);
                if (held.addAndGet(count) > MOST_AT_ONCE) {
                    end(503, "too much is being sent to the service at once; try again");
                    return;
                }
                bytes.write(piece, 0, count);
            }
        }

        @Override
        public void onAllDataRead() {
            if (over.compareAndSet(false, true)) {
                context.getRequest().setAttribute(TAKEN, new Taken(bytes.toByteArray()));
                context.dispatch();
            }
        }

        @Override
        public void onError(Throwable e) {
            LOG.debug("a body was broken off", e);
            if (over.compareAndSet(false, true)) {
                context.complete();
            }
        }

        private void end(int status, String detail) throws IOException {
            if (over.compareAndSet(false, true)) {
                ProblemAnswer.writeLast((HttpServletResponse) context.getResponse(), status, detail);
                context.complete();
            }
        }

        @Override
        public void onTimeout(AsyncEvent event) throws IOException {
            end(408, "the body did not come in time");
        }

        @Override
        public void onComplete(AsyncEvent event) {
            held.addAndGet(-reserved.getAndSet(0));
        }

        @Override
        public void onError(AsyncEvent event) {
            held.addAndGet(-reserved.getAndSet(0));
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // Who answers later goes on holding what was taken.
            event.getAsyncContext().addListener(this);
        }
    }

    /** A body that is there as a whole. The request goes the whole way with it, as if it had only come now. */
    private static final class Taken {
        private final byte[] bytes;
        private final AtomicBoolean gone = new AtomicBoolean();

        Taken(byte[] bytes) {
            this.bytes = bytes;
        }

        HttpServletRequest with(HttpServletRequest request) {
            boolean first = gone.compareAndSet(false, true);
            var in = new ByteArrayInputStream(bytes);
            return new HttpServletRequestWrapper(request) {
                @Override
                public DispatcherType getDispatcherType() {
                    return first ? DispatcherType.REQUEST : super.getDispatcherType();
                }

                @Override
                public ServletInputStream getInputStream() {
                    return new Whole(in);
                }

                @Override
                public BufferedReader getReader() {
                    return new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
                }

                @Override
                public int getContentLength() {
                    return bytes.length;
                }

                @Override
                public long getContentLengthLong() {
                    return bytes.length;
                }
            };
        }
    }

    private static final class Whole extends ServletInputStream {
        private final ByteArrayInputStream in;

        Whole(ByteArrayInputStream in) {
            this.in = in;
        }

        @Override
        public boolean isFinished() {
            return in.available() == 0;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new IllegalStateException("the body is there already");
        }

        @Override
        public int read() {
            return in.read();
        }

        @Override
        public int read(byte[] to, int offset, int length) {
            return in.read(to, offset, length);
        }
    }
}

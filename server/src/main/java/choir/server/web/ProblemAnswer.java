package choir.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import tools.jackson.databind.json.JsonMapper;

/** Problem details (RFC 9457) where no controller makes them. */
public final class ProblemAnswer {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private ProblemAnswer() {}

    /** Nothing when an answer is on its way already. */
    public static void write(HttpServletResponse response, int status, String detail) throws IOException {
        if (response.isCommitted()) {
            return;
        }
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.getWriter().write(text(status, detail));
    }

    /** The same, after which no more is taken from who asked. */
    static void writeLast(HttpServletResponse response, int status, String detail) throws IOException {
        if (!response.isCommitted()) {
            response.setHeader(HttpHeaders.CONNECTION, "close");
            write(response, status, detail);
        }
    }

    static String text(int status, String detail) {
        return JSON.writeValueAsString(Map.of("status", status, "detail", detail));
    }

    /** For a status of which nothing more is known. */
    static String words(int status) {
        return switch (status) {
            case 400 -> "this is not a request that can be understood";
            case 404 -> "there is nothing at this address";
            case 405 -> "this address is not asked in this way";
            case 414, 431 -> "the head of the request is too large";
            default -> {
                var known = HttpStatus.resolve(status);
                yield known == null || status >= 500
                        ? "the service failed; its log says more"
                        : known.getReasonPhrase().toLowerCase(java.util.Locale.ROOT);
            }
        };
    }
}

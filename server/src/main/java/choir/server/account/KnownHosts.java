package choir.server.account;

import choir.server.ServiceSettings;
import choir.server.web.ProblemAnswer;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only to the names by which the service is meant to be called. A page of somebody else whose name was made to lead
 * here could otherwise speak to it from a browser that is let in.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class KnownHosts extends OncePerRequestFilter {
    private static final Set<String> OF_THIS_MACHINE = Set.of("localhost", "127.0.0.1", "::1");

    private final Set<String> names;
    private final boolean any;

    KnownHosts(ServiceSettings settings, @Value("${server.address:}") @Nullable InetAddress address) {
        names = new HashSet<>(OF_THIS_MACHINE);
        var given = settings.hosts() == null ? List.<String>of() : settings.hosts();
        given.forEach(name -> names.add(name.toLowerCase(Locale.ROOT)));
        any = given.isEmpty() && (address == null || !address.isLoopbackAddress());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        var name = name(request.getHeader("Host"));
        if (any || names.contains(name)) {
            chain.doFilter(request, response);
            return;
        }
        ProblemAnswer.write(
                response,
                421,
                "this service is not called by that name; where it should be, say so with --choir.hosts=NAME,...");
    }

    /** Without the port, and without the brackets around an address of six. */
    static String name(@Nullable String host) {
        if (host == null) {
            return "";
        }
        var text = host.strip().toLowerCase(Locale.ROOT);
        if (text.startsWith("[")) {
            int end = text.indexOf(']');
            return end < 0 ? "" : text.substring(1, end);
        }
        int colon = text.indexOf(':');
        return colon < 0 ? text : text.substring(0, colon);
    }
}

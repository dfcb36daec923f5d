package choir.server.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.web.firewall.FirewalledRequest;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;

/**
 * A channel is an opaque text, and whoever encodes it as a segment of an address in the usual way (RFC 3986) is understood.
 * Everywhere else such segments stay refused, since nothing there is called so.
 */
@Configuration
class CameraAddresses {
    private static final String CAMERAS = "/api/v1/cameras/";

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> slashesOfSegments() {
        return factory -> factory.addConnectorCustomizers(c -> c.setEncodedSolidusHandling("passthrough"));
    }

    @Bean
    HttpFirewall firewall() {
        var strict = new StrictHttpFirewall();
        var lenient = new StrictHttpFirewall();
        lenient.setAllowUrlEncodedSlash(true);
        lenient.setAllowUrlEncodedDoubleSlash(true);
        lenient.setAllowUrlEncodedPercent(true);
        lenient.setAllowUrlEncodedPeriod(true);
        lenient.setAllowSemicolon(true);
        lenient.setAllowBackSlash(true);
        return new HttpFirewall() {
            @Override
            public FirewalledRequest getFirewalledRequest(HttpServletRequest request) {
                var chosen = request.getRequestURI().startsWith(CAMERAS) ? lenient : strict;
                return chosen.getFirewalledRequest(request);
            }

            @Override
            public HttpServletResponse getFirewalledResponse(HttpServletResponse response) {
                return strict.getFirewalledResponse(response);
            }
        };
    }
}

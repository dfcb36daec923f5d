package choir.server.web;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.boot.EnvironmentPostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/**
 * Two settings for TLS: {@code choir.tls.certificate}, a file of PEM with the chain, and {@code choir.tls.key}. Both are looked at again
 * when they change, so that a renewed certificate needs no restart.
 */
public final class OwnCertificate implements EnvironmentPostProcessor {
    private static final String STORE = "spring.ssl.bundle.pem.choir.";

    @Override
    public void postProcessEnvironment(ConfigurableEnvironment environment, SpringApplication application) {
        var certificate = environment.getProperty("choir.tls.certificate");
        var key = environment.getProperty("choir.tls.key");
        if (certificate == null && key == null) {
            return;
        }
        if (certificate == null || key == null) {
            throw new BadSettings("choir.tls.certificate and choir.tls.key are set together, or neither is");
        }
        Map<String, Object> settings = new LinkedHashMap<>();
        settings.put("server.ssl.bundle", "choir");
        settings.put(STORE + "reload-on-update", "true");
        settings.put(STORE + "keystore.certificate", "file:" + certificate);
        settings.put(STORE + "keystore.private-key", "file:" + key);
        settings.put("server.servlet.session.cookie.secure", "true");
        environment.getPropertySources().addFirst(new MapPropertySource("choir-tls", settings));
    }
}

package choir.issuer;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JOSEObjectType;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.crypto.RSASSASigner;
import com.nimbusds.jose.jwk.JWKSet;
import com.nimbusds.jose.jwk.RSAKey;
import com.nimbusds.jose.jwk.source.ImmutableJWKSet;
import com.nimbusds.jose.jwk.source.JWKSource;
import com.nimbusds.jose.proc.SecurityContext;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.SignedJWT;
import java.net.URI;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.NoSuchAlgorithmException;
import java.security.interfaces.RSAPublicKey;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.startup.Tomcat;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configuration.EnableWebSecurity;
import org.springframework.security.config.annotation.web.configuration.OAuth2AuthorizationServerConfiguration;
import org.springframework.security.config.annotation.web.configurers.oauth2.server.authorization.OAuth2AuthorizationServerConfigurer;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.oauth2.core.AuthorizationGrantType;
import org.springframework.security.oauth2.core.ClientAuthenticationMethod;
import org.springframework.security.oauth2.jwt.JwtDecoder;
import org.springframework.security.oauth2.server.authorization.client.RegisteredClient;
import org.springframework.security.oauth2.server.authorization.client.RegisteredClientRepository;
import org.springframework.security.oauth2.server.authorization.settings.AuthorizationServerSettings;
import org.springframework.security.oauth2.server.authorization.settings.ClientSettings;
import org.springframework.security.oauth2.server.authorization.token.JwtEncodingContext;
import org.springframework.security.oauth2.server.authorization.token.OAuth2TokenCustomizer;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.web.context.support.AnnotationConfigWebApplicationContext;
import org.springframework.web.filter.DelegatingFilterProxy;
import org.springframework.web.servlet.DispatcherServlet;
import org.springframework.web.servlet.config.annotation.EnableWebMvc;

/**
 * An organisation's accounts: a real server of OpenID Connect, of another make than the client, on loopback. It ships with the
 * demo and stands in the tests for what an organisation has; everybody's password is the same.
 */
public final class Issuer implements AutoCloseable {
    public static final String PASSWORD = "quiet harbour";
    public static final String CLIENT = "choir";
    public static final String SECRET = "a secret of two machines";

    /** Groups by person; changed while it runs. */
    public static final Map<String, List<String>> GROUPS = new ConcurrentHashMap<>();

    private final Tomcat tomcat = new Tomcat();

    /**
     * @param words the port; the address of the service; and who is in which groups, such as {@code tove=divers,watch}
     */
    @SuppressWarnings("resource")
    public static void main(String[] words) {
        for (var person : List.of(words).subList(2, words.length)) {
            var parts = person.split("=", 2);
            GROUPS.put(parts[0], List.of(parts[1].split(",")));
        }
        new Issuer(Integer.parseInt(words[0])).know(URI.create(words[1]));
    }

    /** On any port. */
    public Issuer() {
        this(0);
    }

    private Issuer(int port) {
        var context = new AnnotationConfigWebApplicationContext();
        context.register(Server.class);
        tomcat.setBaseDir(System.getProperty("java.io.tmpdir"));
        tomcat.setPort(port);
        tomcat.getConnector().setProperty("address", "127.0.0.1");
        var root = tomcat.addContext("", null);
        var dispatcher = new DispatcherServlet(context);
        var wrapper = Tomcat.addServlet(root, "all", dispatcher);
        wrapper.setLoadOnStartup(1);
        wrapper.addMapping("/");
        var filter = new org.apache.tomcat.util.descriptor.web.FilterDef();
        filter.setFilterName("springSecurityFilterChain");
        var proxy = new DelegatingFilterProxy("springSecurityFilterChain");
        proxy.setContextAttribute(org.springframework.web.servlet.FrameworkServlet.SERVLET_CONTEXT_PREFIX + "all");
        filter.setFilter(proxy);
        root.addFilterDef(filter);
        var map = new org.apache.tomcat.util.descriptor.web.FilterMap();
        map.setFilterName("springSecurityFilterChain");
        map.addURLPattern("/*");
        root.addFilterMap(map);
        try {
            tomcat.start();
        } catch (LifecycleException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Who may send people here, and where they go back to. */
    public void know(URI service) {
        Server.service = service;
    }

    public URI address() {
        return URI.create("http://127.0.0.1:" + tomcat.getConnector().getLocalPort());
    }

    /** What it says when somebody signed out there, as it signs it. */
    public String signOut(String subject, Instant at, String audience) throws JOSEException {
        var claims = new JWTClaimsSet.Builder()
                .issuer(address().toString())
                .audience(audience)
                .subject(subject)
                .issueTime(Date.from(at))
                .expirationTime(Date.from(at.plusSeconds(600)))
                .jwtID(UUID.randomUUID().toString())
                .claim("events", Map.of("http://schemas.openid.net/event/backchannel-logout", Map.of()))
                .build();
        var signed = new SignedJWT(
                new JWSHeader.Builder(JWSAlgorithm.RS256)
                        .type(new JOSEObjectType("logout+jwt"))
                        .keyID("one")
                        .build(),
                claims);
        signed.sign(new RSASSASigner(Server.KEY));
        return signed.serialize();
    }

    @Override
    public void close() throws LifecycleException {
        tomcat.stop();
        tomcat.destroy();
    }

    /** What Spring's authorisation server needs. */
    @Configuration
    @EnableWebMvc
    @EnableWebSecurity
    static class Server {
        private static final RSAKey KEY = key();
        private static volatile URI service = URI.create("http://127.0.0.1");

        @Bean
        @Order(1)
        SecurityFilterChain endpoints(HttpSecurity http) throws Exception {
            var configurer = new OAuth2AuthorizationServerConfigurer();
            return http.securityMatcher(configurer.getEndpointsMatcher())
                    .with(configurer, c -> c.oidc(Customizer.withDefaults()))
                    .authorizeHttpRequests(a -> a.anyRequest().authenticated())
                    .exceptionHandling(e -> e.authenticationEntryPoint(new LoginUrlAuthenticationEntryPoint("/login")))
                    .build();
        }

        @Bean
        @Order(2)
        SecurityFilterChain people(HttpSecurity http) throws Exception {
            return http.authorizeHttpRequests(a -> a.anyRequest().authenticated())
                    .formLogin(Customizer.withDefaults())
                    .build();
        }

        @Bean
        UserDetailsService users() {
            return name -> User.withUsername(name)
                    .password("{noop}" + PASSWORD)
                    .roles("USER")
                    .build();
        }

        @Bean
        RegisteredClientRepository clients() {
            return new RegisteredClientRepository() {
                @Override
                public void save(RegisteredClient client) {
                    // Its secret, hashed anew; the next question makes it as it was.
                }

                @Override
                public RegisteredClient findById(String id) {
                    return client();
                }

                @Override
                public RegisteredClient findByClientId(String id) {
                    return client();
                }
            };
        }

        private static RegisteredClient client() {
            return RegisteredClient.withId("the only one")
                    .clientId(CLIENT)
                    .clientSecret("{noop}" + SECRET)
                    .clientAuthenticationMethod(ClientAuthenticationMethod.CLIENT_SECRET_BASIC)
                    .authorizationGrantType(AuthorizationGrantType.AUTHORIZATION_CODE)
                    .redirectUri(service + "/api/v1/session/organisation/callback")
                    .postLogoutRedirectUri(service + "/")
                    .scope("openid")
                    .scope("profile")
                    .clientSettings(ClientSettings.builder()
                            .requireProofKey(true)
                            .requireAuthorizationConsent(false)
                            .build())
                    .build();
        }

        @Bean
        OAuth2TokenCustomizer<JwtEncodingContext> claims() {
            return token -> token.getClaims()
                    .claim("preferred_username", token.getPrincipal().getName())
                    .claim("groups", GROUPS.getOrDefault(token.getPrincipal().getName(), List.of()));
        }

        @Bean
        JWKSource<SecurityContext> keys() {
            return new ImmutableJWKSet<>(new JWKSet(KEY));
        }

        private static RSAKey key() {
            try {
                var generator = KeyPairGenerator.getInstance("RSA");
                generator.initialize(2048);
                KeyPair pair = generator.generateKeyPair();
                return new RSAKey.Builder((RSAPublicKey) pair.getPublic())
                        .privateKey(pair.getPrivate())
                        .keyID("one")
                        .build();
            } catch (NoSuchAlgorithmException e) {
                throw new IllegalStateException(e);
            }
        }

        @Bean
        JwtDecoder decoder(JWKSource<SecurityContext> keys) {
            return OAuth2AuthorizationServerConfiguration.jwtDecoder(keys);
        }

        @Bean
        AuthorizationServerSettings settings() {
            return AuthorizationServerSettings.builder().build();
        }
    }
}

package choir.server.account;

import choir.server.web.ProblemAnswer;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.web.filter.OncePerRequestFilter;

/** Who may enter where. Reading needs any role; the rest is listed here, address by address. */
@Configuration
class Doors {
    /** The text of the token by which a request was let in. */
    static final String BY_TOKEN = "choir.by-token";

    private static final String LET_IN = "choir.let-in";

    private static final String CONTENT_POLICY = "default-src 'self'; script-src 'self'; style-src 'self';"
            + " img-src 'self' data:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'";

    @Bean
    SecurityFilterChain filterChain(HttpSecurity http, Accounts accounts) throws Exception {
        return http.csrf(csrf -> csrf.spa()
                        .ignoringRequestMatchers(r -> isByToken(r) || isByNobody(r))
                        .ignoringRequestMatchers("/api/v1/session/token"))
                .headers(h -> h.contentSecurityPolicy(p -> p.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(r -> r.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.NO_REFERRER)))
                .requestCache(c -> c.disable())
                .logout(l -> l.disable())
                .formLogin(f -> f.disable())
                .httpBasic(b -> b.disable())
                .addFilterBefore(new TokenFilter(accounts), CsrfFilter.class)
                .addFilterBefore(new CsrfCookie(), AuthorizationFilter.class)
                .addFilterBefore(new FreshSession(accounts), AuthorizationFilter.class)
                .addFilterAfter(new LetIn(), AuthorizationFilter.class)
                .authorizeHttpRequests(a -> a.dispatcherTypeMatchers(DispatcherType.ERROR)
                        .permitAll()
                        .requestMatchers(Doors::followsOneThatWasLetIn)
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.POST, "/api/v1/session", "/api/v1/session/password", "/api/v1/session/token")
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET,
                                "/api/v1/session/ways",
                                "/api/v1/session/organisation",
                                "/api/v1/session/organisation/callback")
                        .permitAll()
                        .requestMatchers("/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.DELETE, "/api/v1/session", "/api/v1/sessions", "/api/v1/tokens/*")
                        .authenticated()
                        .requestMatchers(HttpMethod.POST, "/api/v1/tokens")
                        .authenticated()
                        .requestMatchers("/api/v1/check-up")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(
                                HttpMethod.POST,
                                "/api/v1/readings",
                                "/api/v1/activity/readings",
                                "/api/v1/audits",
                                "/api/v1/previews",
                                "/api/v1/response-trials",
                                "/api/v1/recorders/*/sheet/ticks",
                                "/api/v1/template-drafts",
                                "/api/v1/forecasts",
                                "/api/v1/area-drafts")
                        .hasRole(Role.TECHNICIAN.name())
                        .requestMatchers(HttpMethod.PUT, "/api/v1/response-trials/*")
                        .hasRole(Role.TECHNICIAN.name())
                        // Footage shows people; who may look at settings alone does not see it.
                        .requestMatchers(
                                "/api/v1/clips",
                                "/api/v1/clips/**",
                                "/api/v1/clip-files",
                                "/api/v1/live-levels",
                                "/api/v1/tuning",
                                "/api/v1/trials",
                                "/api/v1/suggestions",
                                "/api/v1/group-suggestions",
                                "/api/v1/moments",
                                "/api/v1/area-searches",
                                "/api/v1/area-searches/**",
                                "/api/v1/motion-maps",
                                "/api/v1/motion-maps/**",
                                "/api/v1/recorded-still",
                                "/api/v1/walks",
                                "/api/v1/walks/**")
                        .hasRole(Role.TECHNICIAN.name())
                        .requestMatchers(
                                HttpMethod.POST,
                                "/api/v1/recorders",
                                "/api/v1/recorder-searches",
                                "/api/v1/password-changes",
                                "/api/v1/password-changes/outlook")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(
                                HttpMethod.PUT,
                                "/api/v1/recorders/*/password",
                                "/api/v1/recorders/*/certificate",
                                "/api/v1/families/*")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.DELETE, "/api/v1/recorders/*")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.GET, "/api/v1/people")
                        .hasRole(Role.VIEWER.name())
                        .requestMatchers("/api/v1/people", "/api/v1/people/**")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers("/api/v1/notices", "/api/v1/notices/**")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.POST, "/api/v1/exports")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers("/api/v1/backups", "/api/v1/backups/**")
                        .hasRole(Role.ADMINISTRATOR.name())
                        .requestMatchers(HttpMethod.GET, "/api/**")
                        .hasRole(Role.VIEWER.name())
                        .requestMatchers("/api/**")
                        .hasRole(Role.EDITOR.name())
                        .anyRequest()
                        .permitAll())
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, failed) -> ProblemAnswer.write(
                                response, 401, "you are not signed in; sign in to the console, or by: choir login"))
                        .accessDeniedHandler((request, response, denied) -> ProblemAnswer.write(
                                response,
                                403,
                                denied instanceof CsrfException
                                        ? "the page is older than your sign-in; load it again"
                                        : "your role does not allow this")))
                .build();
    }

    /** An answer that is made later comes by here a second time, without anything of who asked. */
    private static boolean followsOneThatWasLetIn(HttpServletRequest request) {
        return request.getDispatcherType() == DispatcherType.ASYNC && request.getAttribute(LET_IN) != null;
    }

    /** Nobody else's page can send a token, so forgery is no danger there; a header that lets nobody in is no token. */
    private static boolean isByToken(HttpServletRequest request) {
        return request.getAttribute(BY_TOKEN) != null;
    }

    /** Whoever is not signed in by a cookie either is told so, rather than that a page is old. Signing in is another matter. */
    private static boolean isByNobody(HttpServletRequest request) {
        return request.getRequestedSessionId() == null
                && !("POST".equals(request.getMethod())
                        && request.getRequestURI().startsWith("/api/v1/session"));
    }

    /** Spring must not make a user of its own. */
    @Bean
    UserDetailsService nobody() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }

    /** A token in the Authorization header signs this one request in. */
    private static final class TokenFilter extends OncePerRequestFilter {
        private final Accounts accounts;

        TokenFilter(Accounts accounts) {
            this.accounts = accounts;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            var header = request.getHeader("Authorization");
            if (header != null && header.startsWith("Bearer ")) {
                var token = header.substring("Bearer ".length()).strip();
                accounts.byToken(token).ifPresent(account -> {
                    var context = SecurityContextHolder.createEmptyContext();
                    context.setAuthentication(SessionApi.authentication(account));
                    SecurityContextHolder.setContext(context);
                    request.setAttribute(BY_TOKEN, token);
                });
            }
            chain.doFilter(request, response);
        }
    }

    /** Whoever signed in before their role or password changed, or who is gone since, is out. */
    private static final class FreshSession extends OncePerRequestFilter {
        private final Accounts accounts;

        FreshSession(Accounts accounts) {
            this.accounts = accounts;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            var signedIn = SecurityContextHolder.getContext().getAuthentication();
            if (signedIn != null
                    && signedIn.getDetails() instanceof Long version
                    && accounts.find(signedIn.getName())
                            .filter(a -> a.version() == version)
                            .isEmpty()) {
                SecurityContextHolder.clearContext();
                var session = request.getSession(false);
                if (session != null) {
                    session.invalidate();
                }
            }
            chain.doFilter(request, response);
        }
    }

    /** Notes that all that stands before it let the request pass. */
    private static final class LetIn extends OncePerRequestFilter {
        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            request.setAttribute(LET_IN, true);
            chain.doFilter(request, response);
        }
    }

    /** Asks for the CSRF token on every page, so that its cookie is there before the first write. */
    private static final class CsrfCookie extends OncePerRequestFilter {
        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            if (request.getAttribute("_csrf") instanceof org.springframework.security.web.csrf.CsrfToken token) {
                token.getToken();
            }
            chain.doFilter(request, response);
        }
    }
}

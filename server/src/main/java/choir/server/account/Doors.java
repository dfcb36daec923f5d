package choir.server.account;

import choir.server.reach.Reach;
import choir.server.web.ProblemAnswer;
import choir.server.web.Version;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.AuthenticationCredentialsNotFoundException;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.web.filter.OncePerRequestFilter;

/** How people come in, and that they come no farther than {@link Rules} say. */
@Configuration
class Doors {
    /** The text of the token by which a request was let in. */
    static final String BY_TOKEN = "choir.by-token";

    /** By a program of the issuer, which signs what it says. */
    private static final String SIGN_OUT_BY_ISSUER = "/api/v1/session/organisation/sign-out";

    /** What a browser sends before it has a session, and nobody else's page may send for it. */
    private static final Set<String> SIGN_INS = Set.of("/api/v1/session", "/api/v1/session/password");

    private static final String LET_IN = "choir.let-in";
    private static final String REACH = "choir.reach";
    private static final String ELSEWHERE = "choir.elsewhere";

    private static final String CONTENT_POLICY = "default-src 'self'; script-src 'self'; style-src 'self';"
            + " img-src 'self' data:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'";

    @Bean
    SecurityFilterChain filterChain(HttpSecurity http, Accounts accounts, Tokens tokens, Version version)
            throws Exception {
        return http.csrf(csrf -> csrf.spa()
                        .ignoringRequestMatchers(r -> isByToken(r) || isByNobody(r))
                        // Whoever asks for these says who they are in the body, and no cookie of theirs counts.
                        .ignoringRequestMatchers(
                                "/api/v1/session/token", "/api/v1/session/password", SIGN_OUT_BY_ISSUER))
                .headers(h -> h.contentSecurityPolicy(p -> p.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(r -> r.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.NO_REFERRER)))
                .requestCache(c -> c.disable())
                .logout(l -> l.disable())
                .formLogin(f -> f.disable())
                .httpBasic(b -> b.disable())
                .addFilterBefore(new TokenFilter(tokens), CsrfFilter.class)
                .addFilterBefore(new CsrfCookie(), AuthorizationFilter.class)
                .addFilterBefore(new FreshSession(accounts), AuthorizationFilter.class)
                .addFilterAfter(new LetIn(version), AuthorizationFilter.class)
                .authorizeHttpRequests(a -> a.dispatcherTypeMatchers(DispatcherType.ERROR)
                        .permitAll()
                        .requestMatchers(Doors::followsOneThatWasLetIn)
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.POST,
                                "/api/v1/session",
                                "/api/v1/session/password",
                                "/api/v1/session/token",
                                SIGN_OUT_BY_ISSUER)
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
                        .access((who, context) ->
                                decision(context.getRequest(), new Rules.Rule(Set.of(Right.ADMINISTER), false)))
                        .requestMatchers("/api/**")
                        .access((who, context) -> decision(context.getRequest(), Rules.of(context.getRequest())))
                        .anyRequest()
                        .permitAll())
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, failed) -> ProblemAnswer.write(
                                response, 401, "you are not signed in; sign in to the console, or by: choir login"))
                        .accessDeniedHandler((request, response, denied) -> ProblemAnswer.write(
                                response,
                                403,
                                denied instanceof CsrfException
                                        ? "the page is older than your sign-in; load it again"
                                        : request.getAttribute(ELSEWHERE) instanceof Reach reach
                                                ? "this concerns the whole fleet, and what you may do here counts in "
                                                        + reach + " alone"
                                                : "your role does not allow this")))
                .build();
    }

    /** Whether somebody may, and how far that reaches. */
    private static AuthorizationDecision decision(HttpServletRequest request, Rules.Rule rule) {
        if (!SignedIn.isSomebody(request)) {
            throw new AuthenticationCredentialsNotFoundException("nobody is signed in");
        }
        var grants = SignedIn.of(request).grants();
        var reach = rule.rights().stream().map(grants::reach).reduce(Reach.EVERYWHERE, Reach::and);
        if (!reach.isNowhere() && !reach.isEverywhere() && !rule.inPlaces()) {
            request.setAttribute(ELSEWHERE, reach);
            return new AuthorizationDecision(false);
        }
        request.setAttribute(REACH, reach);
        return new AuthorizationDecision(!reach.isNowhere());
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
                && !("POST".equals(request.getMethod()) && SIGN_INS.contains(request.getRequestURI()));
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
        private final Tokens tokens;

        TokenFilter(Tokens tokens) {
            this.tokens = tokens;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            var header = request.getHeader("Authorization");
            if (header != null && header.startsWith("Bearer ")) {
                var token = header.substring("Bearer ".length()).strip();
                tokens.account(token).ifPresent(account -> {
                    var context = SecurityContextHolder.createEmptyContext();
                    context.setAuthentication(SessionApi.authentication(account));
                    SecurityContextHolder.setContext(context);
                    SignedIn.put(request, account);
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
            if (signedIn != null && signedIn.getDetails() instanceof Long version && !SignedIn.isSomebody(request)) {
                accounts.find(signedIn.getName())
                        .filter(a -> a.version() == version)
                        .ifPresentOrElse(a -> SignedIn.put(request, a), () -> end(request));
            }
            chain.doFilter(request, response);
        }
    }

    private static void end(HttpServletRequest request) {
        SecurityContextHolder.clearContext();
        var session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
    }

    /** Notes that all that stands before it let the request pass, and how far it reaches. */
    private static final class LetIn extends OncePerRequestFilter {
        private final Version version;

        LetIn(Version version) {
            this.version = version;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            request.setAttribute(LET_IN, true);
            if (SignedIn.isSomebody(request)) {
                response.setHeader(Version.HEADER, version.number());
            }
            var reach = request.getAttribute(REACH) instanceof Reach of ? of : Reach.EVERYWHERE;
            reach.<ServletException, IOException>during(() -> chain.doFilter(request, response));
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

package choir.server.account;

import choir.server.ServiceSettings;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.jwk.source.JWKSourceBuilder;
import com.nimbusds.jose.proc.BadJOSEException;
import com.nimbusds.jose.proc.JWSVerificationKeySelector;
import com.nimbusds.jose.proc.SecurityContext;
import com.nimbusds.jose.util.DefaultResourceRetriever;
import com.nimbusds.jwt.JWT;
import com.nimbusds.jwt.JWTParser;
import com.nimbusds.oauth2.sdk.AuthorizationCode;
import com.nimbusds.oauth2.sdk.AuthorizationCodeGrant;
import com.nimbusds.oauth2.sdk.GeneralException;
import com.nimbusds.oauth2.sdk.ParseException;
import com.nimbusds.oauth2.sdk.ResponseType;
import com.nimbusds.oauth2.sdk.Scope;
import com.nimbusds.oauth2.sdk.TokenRequest;
import com.nimbusds.oauth2.sdk.auth.ClientSecretBasic;
import com.nimbusds.oauth2.sdk.auth.Secret;
import com.nimbusds.oauth2.sdk.http.HTTPRequest;
import com.nimbusds.oauth2.sdk.id.ClientID;
import com.nimbusds.oauth2.sdk.id.Issuer;
import com.nimbusds.oauth2.sdk.id.State;
import com.nimbusds.oauth2.sdk.id.Subject;
import com.nimbusds.oauth2.sdk.pkce.CodeChallengeMethod;
import com.nimbusds.oauth2.sdk.pkce.CodeVerifier;
import com.nimbusds.oauth2.sdk.token.BearerAccessToken;
import com.nimbusds.openid.connect.sdk.AuthenticationRequest;
import com.nimbusds.openid.connect.sdk.AuthenticationResponseParser;
import com.nimbusds.openid.connect.sdk.LogoutRequest;
import com.nimbusds.openid.connect.sdk.Nonce;
import com.nimbusds.openid.connect.sdk.OIDCTokenResponse;
import com.nimbusds.openid.connect.sdk.OIDCTokenResponseParser;
import com.nimbusds.openid.connect.sdk.UserInfoRequest;
import com.nimbusds.openid.connect.sdk.UserInfoResponse;
import com.nimbusds.openid.connect.sdk.claims.ClaimsSet;
import com.nimbusds.openid.connect.sdk.claims.IDTokenClaimsSet;
import com.nimbusds.openid.connect.sdk.op.OIDCProviderMetadata;
import com.nimbusds.openid.connect.sdk.validators.IDTokenValidator;
import com.nimbusds.openid.connect.sdk.validators.LogoutTokenValidator;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/**
 * Sign-in by the organisation's own accounts: OpenID Connect, authorisation code with PKCE. Who somebody is follows from the
 * issuer's subject, which nobody can choose; what they may do from their groups, each time they come. The issuer is asked only
 * when somebody signs in, so that one that is away keeps nobody else out.
 */
@Component
class Organisation {
    private static final Logger LOG = LoggerFactory.getLogger(Organisation.class);
    private static final int PATIENCE_MILLIS = 5_000;
    private static final int LARGEST = 500_000;
    private static final Duration TO_SIGN_IN = Duration.ofMinutes(10);
    private static final Duration KNOWN_FOR = Duration.ofHours(1);
    private static final Duration SAYS_IT_WITHIN = Duration.ofMinutes(5);
    private static final int MOST_UNDER_WAY = 10_000;
    private static final Set<JWSAlgorithm> TAKEN =
            Set.of(JWSAlgorithm.RS256, JWSAlgorithm.PS256, JWSAlgorithm.ES256, JWSAlgorithm.ES384);

    /** Why somebody was not let in. */
    enum Why {
        /** None of their groups has a role here. */
        NO_ROLE,
        /** Somebody else has that name here. */
        NAME_TAKEN,
        /** Nobody can be called so here. */
        ODD_NAME,
        /** It took too long, or was another browser's, or a second time. */
        OVER,
        /** The issuer cannot be asked, or its answer cannot be relied on. */
        FAILED
    }

    static final class RefusedException extends Exception {
        private final Why why;

        RefusedException(Why why, String words, @Nullable Throwable cause) {
            super(words, cause);
            this.why = why;
        }

        Why why() {
            return why;
        }
    }

    /** @param browser by what the browser that began is told from all others */
    record Begun(String browser, URI goTo) {}

    /**
     * @param subject who they are, by the issuer and its own word for them, which is nobody else's
     * @param idToken what the issuer wants to see again when they sign out
     */
    record Member(String subject, String name, Grants grants, String idToken) {}

    private record Pending(State state, Nonce nonce, CodeVerifier verifier, URI callback) {}

    private record Provider(OIDCProviderMetadata metadata, IDTokenValidator validator, LogoutTokenValidator signOuts) {}

    private final Clock clock;
    private final Optional<ServiceSettings.Organisation> settings;
    private final Cache<String, Pending> pending = Caffeine.newBuilder()
            .maximumSize(MOST_UNDER_WAY)
            .expireAfterWrite(TO_SIGN_IN)
            .build();
    private final Cache<URI, Provider> known =
            Caffeine.newBuilder().expireAfterWrite(KNOWN_FOR).build();

    Organisation(ServiceSettings settings, Clock clock) {
        this.clock = clock;
        this.settings = Optional.ofNullable(settings.organisation());
    }

    /** What people call it; empty when nobody signs in by it. */
    Optional<String> name() {
        return settings.map(ServiceSettings.Organisation::name);
    }

    /** The address under which browsers know this service: as it was said, or as they ask by it. */
    URI base() {
        return settings.flatMap(of -> Optional.ofNullable(of.address()))
                .orElseGet(() -> ServletUriComponentsBuilder.fromCurrentContextPath()
                        .build()
                        .toUri());
    }

    private ServiceSettings.Organisation required() throws RefusedException {
        return settings.orElseThrow(
                () -> new RefusedException(Why.FAILED, "no issuer is set: choir.organisation.issuer", null));
    }

    /** @param callback where the issuer sends the browser back to */
    Begun begin(URI callback) throws RefusedException {
        var of = required();
        var begun = new Pending(new State(), new Nonce(), new CodeVerifier(), callback);
        var goTo = new AuthenticationRequest.Builder(
                        ResponseType.CODE, new Scope("openid", "profile"), new ClientID(of.client()), callback)
                .endpointURI(provider(of).metadata().getAuthorizationEndpointURI())
                .state(begun.state())
                .nonce(begun.nonce())
                .codeChallenge(begun.verifier(), CodeChallengeMethod.S256)
                .build()
                .toURI();
        var browser = new State().getValue();
        pending.put(browser, begun);
        return new Begun(browser, goTo);
    }

    /**
     * @param browser the one that began
     * @param answer the address to which the issuer sent it back
     */
    Member end(String browser, URI answer) throws RefusedException {
        var of = required();
        var begun = Optional.ofNullable(pending.asMap().remove(browser))
                .orElseThrow(() -> new RefusedException(Why.OVER, "nobody began to sign in by that browser", null));
        var provider = provider(of);
        try {
            var response = AuthenticationResponseParser.parse(answer);
            if (!begun.state().equals(response.getState())) {
                throw new RefusedException(Why.OVER, "the answer is to another question", null);
            }
            if (!response.indicatesSuccess()) {
                throw new RefusedException(
                        Why.FAILED,
                        "the issuer says " + response.toErrorResponse().getErrorObject(),
                        null);
            }
            var tokens = tokens(of, provider, response.toSuccessResponse().getAuthorizationCode(), begun);
            var idToken = tokens.getOIDCTokens().getIDToken();
            var claims = provider.validator().validate(idToken, begun.nonce());
            return member(of, provider, claims, tokens.getOIDCTokens().getBearerAccessToken(), idToken);
        } catch (ParseException | IOException | BadJOSEException | JOSEException e) {
            throw failed(of, e);
        }
    }

    private static OIDCTokenResponse tokens(
            ServiceSettings.Organisation of, Provider provider, AuthorizationCode code, Pending begun)
            throws IOException, ParseException, RefusedException {
        var grant = new AuthorizationCodeGrant(code, begun.callback(), begun.verifier());
        var endpoint = provider.metadata().getTokenEndpointURI();
        var id = new ClientID(of.client());
        var secret = secret(of);
        var request = secret.isPresent()
                ? new TokenRequest.Builder(endpoint, new ClientSecretBasic(id, secret.get()), grant).build()
                : new TokenRequest.Builder(endpoint, id, grant).build();
        var answered =
                OIDCTokenResponseParser.parse(patient(request.toHTTPRequest()).send());
        if (!answered.indicatesSuccess()) {
            throw new RefusedException(
                    Why.FAILED, "the issuer says " + answered.toErrorResponse().getErrorObject(), null);
        }
        return (OIDCTokenResponse) answered.toSuccessResponse();
    }

    private static HTTPRequest patient(HTTPRequest request) {
        request.setConnectTimeout(PATIENCE_MILLIS);
        request.setReadTimeout(PATIENCE_MILLIS);
        return request;
    }

    /** Read each time, so that a new one counts without a restart. */
    private static Optional<Secret> secret(ServiceSettings.Organisation of) throws IOException {
        Path file = of.secretFile();
        return file == null
                ? Optional.empty()
                : Optional.of(new Secret(Files.readString(file).strip()));
    }

    private static Member member(
            ServiceSettings.Organisation of,
            Provider provider,
            IDTokenClaimsSet claims,
            BearerAccessToken access,
            JWT idToken)
            throws IOException, ParseException, RefusedException {
        ClaimsSet said = claims;
        if (said.getClaim(of.groupsClaim()) == null && provider.metadata().getUserInfoEndpointURI() != null) {
            var more = UserInfoResponse.parse(
                    patient(new UserInfoRequest(provider.metadata().getUserInfoEndpointURI(), access).toHTTPRequest())
                            .send());
            if (more.indicatesSuccess()
                    && more.toSuccessResponse().getUserInfo() != null
                    && more.toSuccessResponse().getUserInfo().getSubject().equals(claims.getSubject())) {
                said = more.toSuccessResponse().getUserInfo();
            }
        }
        var name = Optional.ofNullable(said.getStringClaim(of.nameClaim()))
                .or(() -> Optional.ofNullable(claims.getStringClaim(of.nameClaim())))
                .orElse(claims.getSubject().getValue());
        if (!People.isName(name)) {
            throw new RefusedException(Why.ODD_NAME, "\"" + name + "\" is no name to be called by here", null);
        }
        var groups = groups(said.getClaim(of.groupsClaim()));
        var roles = of.roles(groups);
        if (roles.isEmpty()) {
            throw new RefusedException(
                    Why.NO_ROLE, name + " is in " + groups + ", none of which has a role here", null);
        }
        return new Member(
                subject(claims.getIssuer(), claims.getSubject()),
                name,
                Grants.of(roles, null, null),
                idToken.serialize());
    }

    private static List<String> groups(@Nullable Object claim) {
        return claim instanceof Collection<?> many
                ? many.stream().map(String::valueOf).toList()
                : claim == null ? List.of() : List.of(String.valueOf(claim));
    }

    private Provider provider(ServiceSettings.Organisation of) throws RefusedException {
        var before = known.getIfPresent(of.issuer());
        if (before != null) {
            return before;
        }
        try {
            var metadata = OIDCProviderMetadata.resolve(new Issuer(of.issuer()), PATIENCE_MILLIS, PATIENCE_MILLIS);
            var keys = JWKSourceBuilder.<SecurityContext>create(
                            metadata.getJWKSetURI().toURL(),
                            new DefaultResourceRetriever(PATIENCE_MILLIS, PATIENCE_MILLIS, LARGEST))
                    .build();
            var selector = new JWSVerificationKeySelector<>(TAKEN, keys);
            var client = new ClientID(of.client());
            var provider = new Provider(
                    metadata,
                    new IDTokenValidator(metadata.getIssuer(), client, selector, null),
                    new LogoutTokenValidator(metadata.getIssuer(), client, false, selector, null));
            known.put(of.issuer(), provider);
            return provider;
        } catch (GeneralException | IOException e) {
            throw failed(of, e);
        }
    }

    /**
     * Somebody who signed out at the issuer (OpenID Connect Back-Channel Logout 1.0).
     *
     * @param token what the issuer says, signed like an identity token
     * @return by which they are known here
     */
    String signedOut(String token) throws RefusedException {
        var of = required();
        try {
            var claims = provider(of).signOuts().validate(JWTParser.parse(token));
            var age = Duration.between(claims.getIssueTime().toInstant(), clock.instant());
            if (age.compareTo(SAYS_IT_WITHIN) > 0) {
                throw new RefusedException(Why.OVER, "that was said " + age + " ago", null);
            }
            var who = Optional.ofNullable(claims.getSubject())
                    .orElseThrow(() -> new RefusedException(Why.FAILED, "it does not say who signed out", null));
            return subject(claims.getIssuer(), who);
        } catch (java.text.ParseException | BadJOSEException | JOSEException e) {
            throw failed(of, e);
        }
    }

    private static String subject(Issuer issuer, Subject subject) {
        return issuer.getValue() + " " + subject.getValue();
    }

    private static RefusedException failed(ServiceSettings.Organisation of, Exception e) {
        LOG.warn("somebody could not be signed in by {}: {}", of.issuer(), e.getMessage());
        return new RefusedException(Why.FAILED, String.valueOf(e.getMessage()), e);
    }

    /** Where the browser goes to sign out there as well; empty when the issuer has no such place, or cannot be asked. */
    Optional<URI> signOutAt(String idToken) {
        try {
            var end = provider(required()).metadata().getEndSessionEndpointURI();
            return end == null
                    ? Optional.empty()
                    : Optional.of(
                            new LogoutRequest(end, JWTParser.parse(idToken), URI.create(base() + "/"), null).toURI());
        } catch (RefusedException | java.text.ParseException e) {
            return Optional.empty();
        }
    }
}

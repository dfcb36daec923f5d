package choir.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import choir.issuer.Issuer;
import choir.server.TestService;
import java.io.IOException;
import java.net.CookieManager;
import java.net.CookiePolicy;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** People who come by the accounts of their organisation, which is a server of another make. */
class OrganisationTest {
    private static Issuer issuer;
    private static TestService service;
    private static URI address;

    @BeforeAll
    static void start() throws Exception {
        issuer = new Issuer();
        var secret = Files.writeString(Files.createTempFile("secret", ""), Issuer.SECRET + "\n");
        service = TestService.start(
                "--choir.organisation.name=the harbour's account",
                "--choir.organisation.issuer=" + issuer.address(),
                "--choir.organisation.client=" + Issuer.CLIENT,
                "--choir.organisation.secret-file=" + secret,
                "--choir.organisation.administrators=harbour masters",
                "--choir.organisation.technicians=electricians,divers",
                "--choir.organisation.viewers=watch",
                "--choir.organisation.places[0].members=lamp keepers",
                "--choir.organisation.places[0].role=technician:north/pier",
                "--choir.organisation.places[1].members=ghosts",
                "--choir.organisation.places[1].role=editor:nowhere");
        address = URI.create(service.address());
        issuer.know(address);
    }

    @AfterAll
    static void stop() throws Exception {
        service.close();
        issuer.close();
    }

    @BeforeEach
    void groups() {
        Issuer.GROUPS.clear();
        Issuer.GROUPS.put("tove", List.of("watch", "divers"));
        Issuer.GROUPS.put("max", List.of("harbour masters"));
        Issuer.GROUPS.put("nils", List.of("canteen"));
        Issuer.GROUPS.put("ada", List.of("watch"));
    }

    /** As a browser does it, one step after the other, so that each can be looked at. */
    private static final class Browser {
        private static final Pattern CSRF = Pattern.compile("name=\"_csrf\"[^>]* value=\"([^\"]+)\"");
        private final HttpClient http = HttpClient.newBuilder()
                .cookieHandler(new CookieManager(null, CookiePolicy.ACCEPT_ALL))
                .build();

        HttpResponse<String> get(URI at) throws IOException, InterruptedException {
            return http.send(
                    HttpRequest.newBuilder(at).header("Accept", "text/html").build(), BodyHandlers.ofString());
        }

        HttpResponse<String> follow(HttpResponse<String> from) throws IOException, InterruptedException {
            return get(goesTo(from));
        }

        static URI goesTo(HttpResponse<String> from) {
            return from.uri().resolve(from.headers().firstValue("Location").orElseThrow());
        }

        /** @return the address with which the issuer sends it back */
        URI askedAtTheIssuer(String name) throws IOException, InterruptedException {
            var page = follow(follow(get(address.resolve("/api/v1/session/organisation"))));
            var csrf = CSRF.matcher(page.body());
            assertThat(csrf.find()).as(page.body()).isTrue();
            var form = "username=" + name + "&password=quiet+harbour&_csrf=" + csrf.group(1);
            var signedIn = http.send(
                    HttpRequest.newBuilder(page.uri())
                            .header("Content-Type", "application/x-www-form-urlencoded")
                            .POST(HttpRequest.BodyPublishers.ofString(form))
                            .build(),
                    BodyHandlers.ofString());
            return goesTo(follow(signedIn));
        }

        /** @return where the service sends it in the end */
        String comesAs(String name) throws IOException, InterruptedException {
            return goesTo(get(askedAtTheIssuer(name))).toString();
        }

        String session() throws IOException, InterruptedException {
            return http.send(
                            HttpRequest.newBuilder(address.resolve("/api/v1/session"))
                                    .build(),
                            BodyHandlers.ofString())
                    .body();
        }
    }

    @Test
    void somebodyComesInWithTheHighestRoleOfTheirGroupsAndHasNoPasswordHere() throws Exception {
        assertThat(service.get("/api/v1/session/ways")
                        .body()
                        .path("organisation")
                        .asString())
                .isEqualTo("the harbour's account");
        var browser = new Browser();
        assertThat(browser.comesAs("tove")).isEqualTo(address + "/");
        assertThat(browser.session()).contains("\"user\":\"tove\"", "\"role\":\"TECHNICIAN\"");
        assertThat(service.get("/api/v1/people").body().toString()).contains("\"ofTheOrganisation\":true");
        assertThat(service.post("/api/v1/session", Map.of("user", "tove", "password", ""))
                        .status())
                .isEqualTo(401);
        assertThat(service.post("/api/v1/people/tove/one-time-password", Map.of())
                        .detail())
                .contains("comes by the organisation's accounts");
        assertThat(service.send("PUT", "/api/v1/people/tove", Map.of("roles", List.of("editor")))
                        .status())
                .isEqualTo(409);
        assertThat(service.get("/api/v1/journal?about=tove").body().toString())
                .contains("came by the organisation's accounts", "signed in by the organisation's account");
    }

    @Test
    void anotherGroupIsAnotherRoleTheNextTimeAndEndsTheSessionsOfBefore() throws Exception {
        Issuer.GROUPS.put("ove", List.of("harbour masters"));
        var before = new Browser();
        before.comesAs("ove");
        assertThat(before.session()).contains("ADMINISTRATOR");
        Issuer.GROUPS.put("ove", List.of("watch"));
        var after = new Browser();
        after.comesAs("ove");
        assertThat(after.session()).contains("VIEWER");
        assertThat(before.session()).as("not any more").doesNotContain("ADMINISTRATOR");
        Issuer.GROUPS.put("ove", List.of());
        assertThat(new Browser().comesAs("ove")).isEqualTo(address + "/#refused=no-role");
    }

    @Test
    void whoeverSignsOutThereIsOutHereAndOnlyTheIssuerSaysSo() throws Exception {
        var browser = new Browser();
        browser.comesAs("max");
        assertThat(browser.session()).contains("ADMINISTRATOR");
        var now = Instant.now();
        for (var wrong : List.of(
                "nonsense",
                issuer.signOut("max", now, "somebody-else"),
                issuer.signOut("max", now.minusSeconds(3_600), Issuer.CLIENT),
                issuer.signOut("max", now, Issuer.CLIENT).replaceFirst(".$", "").replaceFirst(".$", "AA"))) {
            assertThat(told("logout_token=" + wrong)).isEqualTo(400);
        }
        assertThat(told("")).isEqualTo(400);
        assertThat(told("logout_token=" + issuer.signOut("nobody-here", now, Issuer.CLIENT)))
                .isEqualTo(200);
        assertThat(browser.session()).contains("ADMINISTRATOR");
        assertThat(told("logout_token=" + issuer.signOut("max", now, Issuer.CLIENT)))
                .isEqualTo(200);
        assertThat(browser.session()).contains("you are not signed in");
        assertThat(service.get("/api/v1/journal?about=max").body().toString())
                .contains("signed out at the organisation's accounts");
    }

    /** What the issuer says, by a way of its own and not by a browser. */
    private static int told(String form) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(address.resolve("/api/v1/session/organisation/sign-out"))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString(form))
                                .build(),
                        BodyHandlers.discarding())
                .statusCode();
    }

    @Test
    void aGroupOfTheirsMayBeARoleInAPlaceAlone() throws Exception {
        Issuer.GROUPS.put("liv", List.of("lamp keepers"));
        assertThat(new Browser().comesAs("liv")).as("while nothing is there").isEqualTo(address + "/#refused=no-role");
        service.post("/api/v1/groups", Map.of("path", "north/pier"));
        var browser = new Browser();
        assertThat(browser.comesAs("liv")).isEqualTo(address + "/");
        assertThat(browser.session()).contains("\"role\":\"TECHNICIAN\"", "\"places\":[\"fleet/north/pier\"]");
        Issuer.GROUPS.put("liv", List.of("lamp keepers", "watch"));
        var both = new Browser();
        both.comesAs("liv");
        assertThat(both.session()).contains("\"role\":\"TECHNICIAN\"", "\"places\":[]");
        assertThat(service.get("/api/v1/people").body().toString()).contains("[\"technician:north/pier\",\"viewer\"]");
    }

    @Test
    void whoHasNoRoleOrAnothersNameIsNotLetIn() throws Exception {
        var nobody = new Browser();
        assertThat(nobody.comesAs("nils")).isEqualTo(address + "/#refused=no-role");
        assertThat(nobody.session()).contains("you are not signed in");
        assertThat(service.get("/api/v1/people").body().toString()).doesNotContain("nils");
        assertThat(new Browser().comesAs("ada"))
                .as("she has a password here")
                .isEqualTo(address + "/#refused=name-taken");
    }

    @Test
    void anAnswerCountsOnceAndInTheBrowserThatAskedAlone() throws Exception {
        var victim = new Browser();
        var thief = new Browser();
        thief.get(address.resolve("/api/v1/session/organisation"));
        var answer = victim.askedAtTheIssuer("tove");
        assertThat(Browser.goesTo(thief.get(answer)).toString()).endsWith("#refused=over");
        assertThat(thief.session()).contains("you are not signed in");
        var stranger = new Browser();
        assertThat(Browser.goesTo(stranger.get(answer)).toString()).endsWith("#refused=over");
        assertThat(Browser.goesTo(victim.get(answer)).toString()).isEqualTo(address + "/");
        assertThat(Browser.goesTo(victim.get(answer)).toString())
                .as("a second time")
                .endsWith("#refused=over");
        for (var odd : new String[] {"", "?error=access_denied&state=x", "?code=x&state=y", "?code=%zz"}) {
            var browser = new Browser();
            browser.get(address.resolve("/api/v1/session/organisation"));
            var refused = browser.http.send(
                    HttpRequest.newBuilder(URI.create(
                                    address + "/api/v1/session/organisation/callback" + odd.replace("%zz", "")))
                            .build(),
                    BodyHandlers.ofString());
            assertThat(refused.statusCode()).as(odd).isEqualTo(302);
            assertThat(Browser.goesTo(refused).toString()).contains("#refused=");
        }
    }

    @Test
    void signingOutLeadsToTheIssuerAsWell() throws Exception {
        var browser = new Browser();
        browser.comesAs("max");
        var csrf = browser.http.cookieHandler().orElseThrow().get(address, Map.of()).get("Cookie").stream()
                .flatMap(c -> java.util.Arrays.stream(c.split("; *")))
                .filter(c -> c.startsWith("XSRF-TOKEN="))
                .map(c -> c.substring("XSRF-TOKEN=".length()))
                .findFirst()
                .orElseGet(() -> "");
        var out = browser.http.send(
                HttpRequest.newBuilder(address.resolve("/api/v1/session"))
                        .header("X-XSRF-TOKEN", csrf)
                        .DELETE()
                        .build(),
                BodyHandlers.ofString());
        assertThat(out.statusCode()).as(out.body()).isEqualTo(200);
        assertThat(out.body()).contains(issuer.address() + "/connect/logout", "id_token_hint=");
        assertThat(browser.session()).contains("you are not signed in");
    }

    @Test
    void tokensOfMembersEndSoonEnoughForSomebodyWhoLeft() throws Exception {
        new Browser().comesAs("max");
        var tokens = service.bean(Tokens.class);
        var forEver = new Tokens.Wish("t", Optional.empty(), Optional.empty(), Optional.empty());
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> tokens.make("max", forEver)))
                .hasMessageContaining("90 days at most");
    }

    @Test
    void anIssuerThatIsAwayKeepsNobodyElseOut() throws Exception {
        try (var alone = TestService.start(
                "--choir.organisation.name=an account",
                "--choir.organisation.issuer=http://127.0.0.1:9",
                "--choir.organisation.client=choir",
                "--choir.organisation.viewers=watch")) {
            assertThat(alone.get("/api/v1/session/organisation")
                            .whole()
                            .headers()
                            .firstValue("Location"))
                    .contains("/#refused=failed");
            assertThat(alone.post("/api/v1/session", Map.of("user", "ada", "password", "a long enough password"))
                            .status())
                    .isEqualTo(200);
        }
    }

    @Test
    void behindAnotherAddressPeopleComeBackToThatOne() throws Exception {
        try (var proxied = TestService.start(
                "--choir.organisation.name=an account",
                "--choir.organisation.issuer=" + issuer.address(),
                "--choir.organisation.client=" + Issuer.CLIENT,
                "--choir.organisation.address=https://watch.example")) {
            assertThat(proxied.get("/api/v1/session/organisation")
                            .whole()
                            .headers()
                            .firstValue("Location")
                            .orElseThrow())
                    .contains(
                            "redirect_uri=https%3A%2F%2Fwatch.example%2Fapi%2Fv1%2Fsession%2Forganisation%2Fcallback");
        }
    }

    @Test
    void whoIsReadableOnTheWaySaysWhoNobodyIs() {
        assertThat(org.assertj.core.api.Assertions.catchThrowable(() -> TestService.start(
                        "--choir.organisation.name=an account",
                        "--choir.organisation.issuer=http://accounts.example",
                        "--choir.organisation.client=choir")))
                .hasStackTraceContaining("has to be an https address");
    }

    @Test
    void aNameThatIsNoneHereIsRefused() throws Exception {
        Issuer.GROUPS.put("two words", List.of("watch"));
        assertThat(new Browser().comesAs("two+words")).isEqualTo(address + "/#refused=odd-name");
    }

    @Test
    void theLastAdministratorWithAPasswordStays() throws Exception {
        new Browser().comesAs("max");
        assertThat(service.send("DELETE", "/api/v1/people/ada", null).detail()).contains("nobody would be left");
    }
}

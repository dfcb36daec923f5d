package choir.server.standing;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.link.LinkException;
import choir.server.TestService;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** However many recorders are away, the overview is a page and not a list of them. */
class AwayTest {
    @Test
    void recordersThatAreAwayForOneReasonAreSaidOnce() {
        try (var service = TestService.start()) {
            for (int i = 1; i <= 6; i++) {
                var name = "r" + i;
                var fake = service.added(name).channel("01", NativeConfig.EMPTY);
                if (i == 6) {
                    fake.away = Optional.of(
                            new LinkException(LinkException.Reason.NOT_AUTHORIZED, "it does not take the password"));
                } else if (i > 1) {
                    fake.goAway();
                }
            }
            service.read();
            var away = service.get("/api/v1/overview").body().path("away");
            assertThat(away.size()).isEqualTo(2);
            assertThat(away.get(0).path("recorders").asInt()).isEqualTo(4);
            assertThat(away.get(0).path("words").asString())
                    .isEqualTo("4 recorders (r2, r3, r4 and 1 more): cannot be reached");
            assertThat(away.get(1).path("some").get(0).asString()).isEqualTo("r6");
            assertThat(away.get(1).path("words").asString()).contains("does not take the password");
        }
    }
}

package choir.server.standing;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.server.TestService;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MeantTest {
    @Test
    void anEmptySelectionSaysWhatMayHaveBeenMeant() {
        try (var service = TestService.start()) {
            service.added("haldr-1").channel("01", new NativeConfig(Map.of()));
            service.read();
            service.post("/api/v1/groups", Map.of("path", "terminals/haldr"));
            for (var asked : Map.of(
                            "terminals/haldr", "; did you mean group:terminals/haldr?",
                            "group:terminals/halder",
                                    "; there is no group terminals/halder; did you mean group:terminals/haldr?",
                            "group:elsewhere/far/away", "; there is no group elsewhere/far/away",
                            "haldr-1 tag:x", "; did you mean recorder:haldr-1?",
                            "group:terminals/haldr", "")
                    .entrySet()) {
                assertThat(service.post("/api/v1/previews", Map.of("select", asked.getKey()))
                                .detail())
                        .isEqualTo("no camera is selected by \"" + asked.getKey() + "\"" + asked.getValue());
            }
        }
    }
}

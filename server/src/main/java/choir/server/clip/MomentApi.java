package choir.server.clip;

import choir.fleet.Node;
import choir.refusal.Refusal;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Where of the last days' footage it is worth looking. */
@RestController
class MomentApi {
    private static final String DAYS = "3";

    /**
     * @param starts how often motion began, as the recorder tells
     * @param movedSeconds for how long it was on
     * @param level the highest, percent; missing where it was not looked for, or there was nothing to look at
     * @param at when that was
     */
    public record FootageMoment(
            String from,
            String until,
            int starts,
            double movedSeconds,
            @Nullable Double level,
            @Nullable String at) {}

    private final Moments moments;

    MomentApi(Moments moments) {
        this.moments = moments;
    }

    /**
     * @param by {@code starts}, {@code longest}, {@code level} or {@code hour}
     * @param hour of the recorder's day, by hour
     */
    @GetMapping("/api/v1/moments")
    List<FootageMoment> moments(
            @RequestParam String camera,
            @RequestParam(defaultValue = "starts") String by,
            @RequestParam(required = false) @Nullable Integer hour,
            @RequestParam(defaultValue = DAYS) int days,
            Principal who) {
        return moments
                .of(
                        Node.Camera.named(camera),
                        by(by),
                        hour == null ? OptionalInt.empty() : OptionalInt.of(hour),
                        days,
                        who.getName())
                .stream()
                .map(m -> new FootageMoment(
                        m.from().toString(),
                        m.until().toString(),
                        m.starts(),
                        TrialViews.seconds(m.moved()),
                        m.level().isPresent() ? TrialViews.percent(m.level().getAsDouble()) : null,
                        m.at().map(Object::toString).orElse(null)))
                .toList();
    }

    private static Moments.By by(String word) {
        return Arrays.stream(Moments.By.values())
                .filter(b -> b.name().toLowerCase(Locale.ROOT).equals(word))
                .findFirst()
                .orElseThrow(() -> new Refusal("\"" + word + "\" is nothing to look by; expected "
                        + Arrays.stream(Moments.By.values())
                                .map(b -> b.name().toLowerCase(Locale.ROOT))
                                .collect(Collectors.joining(", "))));
    }
}

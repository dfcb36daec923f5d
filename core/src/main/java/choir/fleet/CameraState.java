package choir.fleet;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What {@code state:} of a selection asks for. A camera may be in several at once. */
public enum CameraState {
    IN_TUNE("in-tune"),
    DRIFTED("drifted"),
    WAITING("waiting"),
    UNKNOWN("unknown"),
    CANNOT_HONOUR("cannot-honour"),
    NOT_GOVERNED("not-governed"),
    AT_RISK("at-risk");

    private final String word;

    CameraState(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }

    static List<String> words() {
        return Arrays.stream(values()).map(CameraState::word).sorted().toList();
    }

    static Optional<CameraState> of(String word) {
        return Arrays.stream(values()).filter(s -> s.word.equals(word)).findFirst();
    }
}

package choir.server.rollout;

import choir.server.rollout.StepView.ChangeView;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Cameras of which the same was asked, and to which the same happened. */
record StepFold(String state, List<ChangeView> changes, String detail, List<String> cameras) {
    /** In the order in which somebody has to look at them. */
    private static final List<String> STATES =
            List.of("mismatched", "failed", "unsettled", "skipped", "writing", "planned", "verified");

    private static final Comparator<StepFold> ORDER = Comparator.comparingInt((StepFold f) -> STATES.indexOf(f.state()))
            .thenComparing(f -> -f.cameras().size());

    static List<StepFold> of(List<StepView> steps) {
        record Alike(String state, List<ChangeView> changes, String detail) {}
        Map<Alike, List<String>> cameras = new LinkedHashMap<>();
        for (var step : steps) {
            cameras.computeIfAbsent(new Alike(step.state(), step.changes(), step.detail()), a -> new ArrayList<>())
                    .add(step.camera());
        }
        return cameras.entrySet().stream()
                .map(e -> new StepFold(
                        e.getKey().state(), e.getKey().changes(), e.getKey().detail(), List.copyOf(e.getValue())))
                .sorted(ORDER)
                .toList();
    }
}

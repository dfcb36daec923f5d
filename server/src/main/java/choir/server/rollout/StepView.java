package choir.server.rollout;

import choir.family.NativeText;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.rollout.Change;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** One camera's part of a rollout. */
record StepView(String camera, String label, int wave, String state, List<ChangeView> changes, String detail) {
    record ChangeView(String key, String title, @Nullable String before, String after) {
        static ChangeView of(SettingKey key, Change change) {
            return new ChangeView(
                    key.text(),
                    Catalogue.get(key).title(),
                    change.before()
                            .map(b -> NativeText.beside(b, Optional.of(change.after())))
                            .orElse(null),
                    NativeText.beside(change.after(), change.before()));
        }
    }

    static StepView of(Step step) {
        return new StepView(
                step.camera().text(),
                step.label(),
                step.wave(),
                step.state().name().toLowerCase(Locale.ROOT),
                step.changes().entrySet().stream()
                        .map(e -> ChangeView.of(e.getKey(), e.getValue()))
                        .toList(),
                step.detail());
    }
}

package choir.server.standing;

import choir.policy.Catalogue;
import choir.policy.EffectivePolicy.Blocked;
import choir.server.reading.Observation;
import choir.server.standing.ByTimeViews.LevelView;
import choir.server.standing.ByTimeViews.SpecialDayView;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Everything about one camera: what is asked with where it comes from, what its recorder ought to hold for that, and
 * what it holds.
 *
 * @param clockAheadSeconds of its recorder; missing when that was never read
 * @param readAt when it was last read; missing when it never was
 * @param trouble why the recorder could not be read the last time; missing when it could
 * @param paused why and until when its recorder is neither audited nor written; missing when it is
 */
record CameraView(
        CameraRow row,
        long version,
        String model,
        String firmware,
        String zone,
        @Nullable Long clockAheadSeconds,
        @Nullable String trouble,
        @Nullable String paused,
        @Nullable String readAt,
        List<SettingRow> settings,
        WeekView week,
        List<LevelView> levels,
        List<SpecialDayView> specialDays,
        List<AreaView> areas,
        List<String> wantedCells,
        List<String> observedCells,
        List<BlockedView> blocked) {
    record BlockedView(String key, OriginView origin, OriginView fixedBy) {
        static BlockedView of(Blocked b) {
            return new BlockedView(b.key().text(), OriginView.of(b.origin()), OriginView.of(b.fixedBy()));
        }
    }

    static CameraView of(Standing s, Optional<String> paused) {
        var recorder = s.recorder();
        return new CameraView(
                CameraRow.of(s),
                s.row().version(),
                (recorder.device().manufacturer() + " " + recorder.device().model()).strip(),
                recorder.device().firmware(),
                recorder.zone(),
                recorder.clockAhead().map(Duration::toSeconds).orElse(null),
                s.trouble().orElse(null),
                paused.orElse(null),
                s.observation().map(Observation::readAt).map(Object::toString).orElse(null),
                Catalogue.settings().stream()
                        .map(setting -> SettingRow.of(s, setting))
                        .toList(),
                WeekView.of(s),
                ByTimeViews.levels(s),
                ByTimeViews.specialDays(s),
                AreaView.of(s),
                AreaView.cells(s.family(), s.translation().wanted(Catalogue.AREAS)),
                AreaView.cells(s.family(), s.held().flatMap(h -> h.get(Catalogue.AREAS))),
                s.policy().blocked().stream().map(BlockedView::of).toList());
    }
}

package choir.server.activity;

import choir.link.FootageLink.Bits;
import choir.server.db.Database;
import choir.storage.Movement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/** What was counted of cameras and told by their recorders, as forecasts need it. */
@Component
public class MeasureStore {
    /**
     * Of one camera.
     *
     * @param movement how often something moved in the last weeks
     * @param share for which share of the last weeks it recorded, 0 to 1
     * @param oldest its oldest footage
     * @param deletes the oldest was seen to go
     */
    public record Measure(
            Optional<Movement> movement, OptionalDouble share, Bits bits, Optional<Instant> oldest, boolean deletes) {
        public static final Measure NOTHING =
                new Measure(Optional.empty(), OptionalDouble.empty(), Bits.NOT_TOLD, Optional.empty(), false);
    }

    private final Database database;
    private final Clock clock;

    MeasureStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** By the number of the camera; those of which nothing was ever told are missing. */
    public Map<Long, Measure> ofRecorder(String recorder) {
        Map<Long, Measure> all = new HashMap<>();
        database.query("""
                        SELECT camera.id, movement, recorded_share, average_bits, most_bits, oldest, deletes
                        FROM camera LEFT JOIN camera_measure ON camera_measure.camera = camera.id
                          LEFT JOIN footage_kept ON footage_kept.camera = camera.id
                        WHERE recorder = :recorder
                        """).param("recorder", recorder).query(row -> {
            all.put(row.getLong("id"), measure(row));
        });
        return all;
    }

    private static Measure measure(ResultSet row) throws SQLException {
        double share = row.getDouble("recorded_share");
        var told = row.wasNull() ? OptionalDouble.empty() : OptionalDouble.of(share);
        var oldest = number(row, "oldest");
        return new Measure(
                Optional.ofNullable(row.getBytes("movement")).flatMap(Movement::read),
                told,
                new Bits(number(row, "average_bits"), number(row, "most_bits")),
                oldest.isPresent() ? Optional.of(Instant.ofEpochSecond(oldest.getAsLong())) : Optional.empty(),
                row.getInt("deletes") > 0);
    }

    private static OptionalLong number(ResultSet row, String column) throws SQLException {
        long number = row.getLong(column);
        return row.wasNull() ? OptionalLong.empty() : OptionalLong.of(number);
    }

    /** To be called within a transaction. */
    void put(long camera, Optional<Movement> movement, OptionalDouble share, Bits bits) {
        database.change("""
                        INSERT OR REPLACE INTO camera_measure
                          (camera, movement, recorded_share, average_bits, most_bits, taken_at)
                        VALUES (:camera, :movement, :share, :average, :most, :at)
                        """)
                .param("camera", camera)
                .param("movement", movement.map(Movement::write).orElse(null))
                .param("share", share.isPresent() ? share.getAsDouble() : null)
                .param("average", bits.average().isPresent() ? bits.average().getAsLong() : null)
                .param("most", bits.most().isPresent() ? bits.most().getAsLong() : null)
                .param("at", clock.instant().getEpochSecond())
                .update();
    }
}

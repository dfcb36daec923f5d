package choir.server.clip;

import choir.fleet.Node;
import choir.motion.Mark;
import choir.server.db.Database;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The rows of clips and of what is marked on them. */
@Component
class ClipStore {
    private static final int MOST = 1_000;
    private static final String CLIPS = "SELECT clip.id, clip.camera, clip.begins, clip.ends, clip.origin, clip.file,"
            + " clip.bytes, clip.because, clip.who, clip.at, clip.gone_at, clip.tried_with, camera.recorder, camera.channel,"
            + " camera.label FROM clip JOIN camera ON camera.id = clip.camera ";

    /** @param id of its row */
    record StoredMark(long id, Mark mark, String who) {}

    private final Database database;
    private final Clock clock;

    ClipStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    long add(Clip clip) {
        return database.change("""
                        INSERT INTO clip (camera, begins, ends, origin, file, bytes, because, who, at, gone_at)
                        VALUES (:camera, :begins, :ends, :origin, :file, :bytes, :because, :who, :at, :gone)
                        RETURNING id
                        """)
                .param("camera", clip.cameraId())
                .param("begins", clip.begins().toEpochMilli())
                .param("ends", clip.ends().toEpochMilli())
                .param("origin", clip.origin().name())
                .param("file", clip.file())
                .param("bytes", clip.bytes())
                .param("because", clip.because().orElse(null))
                .param("who", clip.who())
                .param("at", clip.at().toString())
                .param("gone", clip.goneAt().toEpochMilli())
                .query(Long.class)
                .single();
    }

    Optional<Clip> find(long id) {
        return database.query(CLIPS + "WHERE clip.id = :id")
                .param("id", id)
                .query((row, n) -> clip(row))
                .optional();
    }

    /** Not there any more as soon as its time is over. */
    Clip get(long id) {
        return find(id).filter(c -> c.goneAt().isAfter(clock.instant()))
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no clip " + id));
    }

    /** Those that are kept, of one camera, in the order of their beginning. */
    List<Clip> keptOf(long camera) {
        return database.query(CLIPS
                        + "WHERE clip.camera = :camera AND clip.because IS NOT NULL AND clip.gone_at > :now"
                        + " ORDER BY clip.begins LIMIT :most")
                .param("camera", camera)
                .param("now", clock.millis())
                .param("most", MOST)
                .query((row, n) -> clip(row))
                .list();
    }

    /** Cameras of which a clip is kept. */
    List<Long> camerasWithClips() {
        return database.query("SELECT DISTINCT camera FROM clip WHERE because IS NOT NULL AND gone_at > :now")
                .param("now", clock.millis())
                .query(Long.class)
                .list();
    }

    /** Recorders of whose cameras a clip is kept. */
    List<String> recordersWithClips() {
        return database.query("SELECT DISTINCT camera.recorder FROM clip JOIN camera ON camera.id = clip.camera"
                        + " WHERE clip.because IS NOT NULL AND clip.gone_at > :now ORDER BY camera.recorder")
                .param("now", clock.millis())
                .query(String.class)
                .list();
    }

    List<Clip> past(Instant now) {
        return database.query(CLIPS + "WHERE clip.gone_at <= :now ORDER BY clip.gone_at LIMIT :most")
                .param("now", now.toEpochMilli())
                .param("most", MOST)
                .query((row, n) -> clip(row))
                .list();
    }

    /** The names of all files that belong to a clip. */
    Collection<String> files() {
        return database.query("SELECT file FROM clip").query(String.class).set();
    }

    boolean keep(long id, String because, Instant goneAt) {
        return database.change("UPDATE clip SET because = :because, gone_at = :gone WHERE id = :id AND gone_at > :now")
                        .param("because", because)
                        .param("gone", goneAt.toEpochMilli())
                        .param("id", id)
                        .param("now", clock.millis())
                        .update()
                == 1;
    }

    /** @param with the settings in words */
    void tried(long id, String with) {
        database.write(
                () -> database.change("UPDATE clip SET tried_with = :with WHERE id = :id AND tried_with IS NOT :with")
                        .param("with", with)
                        .param("id", id)
                        .update());
    }

    void remove(long id) {
        database.change("DELETE FROM clip WHERE id = :id").param("id", id).update();
    }

    List<StoredMark> marks(long clip) {
        return database.query(
                        "SELECT id, kind, begins, ends, word, who FROM clip_mark WHERE clip = :clip ORDER BY begins, id")
                .param("clip", clip)
                .query((row, n) -> new StoredMark(
                        row.getLong("id"),
                        new Mark(
                                Mark.Kind.valueOf(row.getString("kind")),
                                Instant.ofEpochMilli(row.getLong("begins")),
                                Instant.ofEpochMilli(row.getLong("ends")),
                                row.getString("word")),
                        row.getString("who")))
                .list();
    }

    void mark(long clip, Mark mark, String who) {
        database.change("""
                        INSERT INTO clip_mark (clip, kind, begins, ends, word, who, at)
                        VALUES (:clip, :kind, :begins, :ends, :word, :who, :at)
                        """)
                .param("clip", clip)
                .param("kind", mark.kind().name())
                .param("begins", mark.from().toEpochMilli())
                .param("ends", mark.until().toEpochMilli())
                .param("word", mark.word())
                .param("who", who)
                .param("at", clock.instant().toString())
                .update();
    }

    boolean unmark(long clip, long mark) {
        return database.change("DELETE FROM clip_mark WHERE id = :id AND clip = :clip")
                        .param("id", mark)
                        .param("clip", clip)
                        .update()
                == 1;
    }

    private static Clip clip(ResultSet row) throws SQLException {
        return new Clip(
                row.getLong("id"),
                row.getLong("camera"),
                Node.Camera.ofSegments(row.getString("recorder"), row.getString("channel")),
                row.getString("label"),
                Instant.ofEpochMilli(row.getLong("begins")),
                Instant.ofEpochMilli(row.getLong("ends")),
                Clip.Origin.valueOf(row.getString("origin")),
                row.getString("file"),
                row.getLong("bytes"),
                Optional.ofNullable(row.getString("because")),
                row.getString("who"),
                Instant.parse(row.getString("at")),
                Instant.ofEpochMilli(row.getLong("gone_at")),
                Optional.ofNullable(row.getString("tried_with")));
    }
}

package choir.server.version;

import choir.server.checkup.Check;
import choir.server.db.Database;
import choir.server.web.Version;
import org.springframework.stereotype.Component;

/** What runs here, for whoever asks for help or thinks of another version. */
@Component
class VersionCheck implements Check {
    private final Version version;
    private final Database database;

    VersionCheck(Version version, Database database) {
        this.version = version;
        this.database = database;
    }

    @Override
    public String about() {
        return "version";
    }

    @Override
    public Seen look() {
        var schema = database.query(
                        "SELECT version FROM flyway_schema_history WHERE success = 1 ORDER BY installed_rank DESC LIMIT 1")
                .query(String.class)
                .optional()
                .orElse("not known");
        return Seen.well("Choir " + version + ", database schema " + schema + ", Java " + Runtime.version());
    }
}

package choir.server.audit;

import choir.drift.Matter;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Optional;

/**
 * For how long, and for what exactly, somebody left a finding as it is.
 *
 * @param until the last day
 */
record Acceptance(LocalDate until, Optional<String> desired, Optional<String> observed, String sentence) {
    static Optional<Acceptance> of(ResultSet row) throws SQLException {
        var until = row.getString("accepted_until");
        return until == null
                ? Optional.empty()
                : Optional.of(new Acceptance(
                        LocalDate.parse(until),
                        Optional.ofNullable(row.getString("desired")),
                        Optional.ofNullable(row.getString("observed")),
                        row.getString("sentence")));
    }

    /** Of a value, this pair of asked and held; of anything else, what there was to say of it. */
    boolean covers(Seen seen, LocalDate day) {
        return !until.isBefore(day)
                && (seen.matter() instanceof Matter.Value
                        ? desired.equals(seen.desired()) && observed.equals(seen.observed())
                        : sentence.equals(seen.sentence()));
    }
}

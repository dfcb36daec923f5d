package choir.cli;

import tools.jackson.databind.JsonNode;

/** What became of a decision about many findings. */
final class FindingDecided {
    private FindingDecided() {}

    /** @return done, or failed when some could not be decided so */
    static int told(Act act, JsonNode outcome, String how) {
        int decided = outcome.path("decided").size();
        if (decided > 0) {
            act.say((decided == 1 ? "1 finding is " : decided + " findings are ") + how);
        }
        for (var refused : outcome.path("refused")) {
            act.say("finding " + Listing.number(refused, "finding") + ": " + Listing.text(refused, "why"));
        }
        return outcome.path("refused").isEmpty() ? Failure.DONE : Failure.FAILED;
    }
}

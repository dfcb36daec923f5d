package choir.server.rollout;

import choir.rollout.Waves;

/** How a rollout goes about it, as its row holds it: {@code first 3, at most 0 % failed, undo}. */
record RolloutOptions(Waves waves, boolean undo) {
    String text() {
        return waves.first() + " " + waves.maxFailedPercent() + (undo ? " undo" : "");
    }

    /** A limit that cannot be read stops: whatever is wrong with the text is an error. */
    static RolloutOptions parse(String text) {
        var words = text.split(" ");
        return new RolloutOptions(
                new Waves(Integer.parseInt(words[0]), Integer.parseInt(words[1])),
                words.length > 2 && words[2].equals("undo"));
    }
}

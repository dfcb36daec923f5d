package choir.sim;

import choir.sim.SimLife.Kind;
import choir.sim.SimLife.Passer;
import java.util.List;

/**
 * A recorder's own detection: who of those who pass it sees at what its channel is set to. It compares whole blocks of the
 * picture and rounds as it likes, and is not meant to be right.
 */
final class SimDetection {
    private static final double LEAST_STEP = 5;
    private static final double GRAINY_BLOCKS = 4;
    private static final double MOST_STEP = 75;

    private final SimModel model;
    private final SimSettings settings;

    SimDetection(SimModel model, SimSettings settings) {
        this.model = model;
        this.settings = settings;
    }

    boolean isOn() {
        return settings.values().entrySet().stream()
                .noneMatch(e -> e.getKey().endsWith(".Enabled") && e.getValue().equals("false"));
    }

    boolean sees(Passer passer, boolean night) {
        double contrast = Math.abs(passer.contrast()) * (night && passer.kind() != Kind.LAMPS ? 0.45 : 1);
        return contrast >= step() && blocks(passer) >= blocksWanted();
    }

    /** @param grain of the picture, in steps of luminance */
    boolean seesGrain(double grain) {
        return step() < grain && blocksWanted() <= GRAINY_BLOCKS;
    }

    /** Its blocks that somebody of that size touches; half a block is one. */
    private long blocks(Passer passer) {
        double down = passer.height() * model.rows();
        double across = passer.height() * passer.slimness() * 9 / 16 * model.columns();
        return Math.max(1, Math.round(down)) * Math.max(1, Math.round(across));
    }

    private double step() {
        double blunt = 1 - share("sensitivity", 0.5);
        // At the very end of its scale it sees nothing at all.
        double deaf = Math.max(0, blunt - 0.9) * 400;
        return LEAST_STEP + (MOST_STEP - LEAST_STEP) * blunt * blunt + deaf;
    }

    /** In blocks of its grid. */
    private double blocksWanted() {
        int all = model.columns() * model.rows();
        var name = model.panel().getOrDefault("threshold", "");
        var held = settings.values().getOrDefault(name, "");
        if (!held.matches("\\d{1,9}")) {
            return Math.max(1, all * 0.01);
        }
        double number = Double.parseDouble(held);
        return model.inCells(name) ? number : all * number / (model.inPixels(name) ? 14_400 : 100);
    }

    /** Where on its scale that knob stands, 0 to 1, 1 the most sensitive. */
    private double share(String knob, double otherwise) {
        var name = model.panel().getOrDefault(knob, "");
        var held = settings.values().getOrDefault(name, "");
        int word = List.of("low", "medium", "high").indexOf(held);
        if (word >= 0) {
            return word / 2.0;
        }
        var range = model.parameter(name).flatMap(SimParameter::range);
        if (range.isEmpty() || !held.matches("\\d{1,9}")) {
            return otherwise;
        }
        double share = (Double.parseDouble(held) - range.get()[0]) / (range.get()[1] - range.get()[0]);
        return model.habits().contains("less-is-more") ? 1 - share : share;
    }
}

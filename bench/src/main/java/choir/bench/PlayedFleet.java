package choir.bench;

import choir.sim.Simulator;
import java.util.Locale;

/** Simulated recorders in a process of their own, all alike: {@code PORT RECORDERS CHANNELS}. */
public final class PlayedFleet {
    private PlayedFleet() {}

    public static void main(String[] arguments) {
        var simulator = Simulator.start(Integer.parseInt(arguments[0]));
        int channels = Integer.parseInt(arguments[2]);
        for (int i = 0; i < Integer.parseInt(arguments[1]); i++) {
            simulator.add(name(i), "tern", "u", "p", channels);
        }
        System.out.println("simulated recorders on port " + simulator.port());
    }

    static String name(int recorder) {
        return String.format(Locale.ROOT, "site-%05d", recorder);
    }
}

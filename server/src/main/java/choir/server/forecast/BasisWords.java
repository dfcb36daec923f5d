package choir.server.forecast;

import choir.server.forecast.StoreOutlook.Side;
import choir.storage.Assumed;
import choir.storage.Basis;
import java.util.ArrayList;
import java.util.List;

/** What figures rest on: what was measured, and what is assumed. */
final class BasisWords {
    private BasisWords() {}

    static String of(Side side, Assumed assumed) {
        int all = side.counted();
        List<String> known = new ArrayList<>();
        if (side.moved() > 0) {
            known.add("motion as it was counted in the last two weeks" + at(side.moved(), all));
        }
        int measured = side.bits().getOrDefault(Basis.MEASURED, 0);
        if (measured > 0) {
            known.add("bits a second as recorders tell them" + at(measured, all));
        }
        int configured = side.bits().getOrDefault(Basis.CONFIGURED, 0);
        if (configured > 0) {
            known.add("bits a second below the caps of encoders" + at(configured, all));
        }
        List<String> unknown = new ArrayList<>();
        if (measured + configured < all) {
            unknown.add(assumed.bitsInWords());
        }
        if (side.moved() < all) {
            unknown.add(assumed.eventsInWords());
        }
        var rest = unknown.isEmpty() ? "" : "assumed, not measured: " + String.join(", and ", unknown);
        if (known.isEmpty()) {
            return rest.isEmpty() ? "of no camera anything is known" : rest;
        }
        return "reckoned with " + String.join(", ", known) + (rest.isEmpty() ? "" : "; elsewhere " + rest);
    }

    private static String at(int some, int all) {
        return some == all ? "" : " at " + some + " of " + all + " cameras";
    }
}

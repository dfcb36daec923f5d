package choir.server.fleet;

import choir.server.checkup.Check;
import java.time.Duration;
import java.util.List;
import org.springframework.stereotype.Component;

/** Whether the recorders' clocks agree with this machine's; if most of them disagree in the same way, this one is wrong. */
@Component
class ClocksCheck implements Check {
    private static final long RIGHT_SECONDS = 30;
    private static final int ENOUGH = 3;

    private final FleetStore fleet;

    ClocksCheck(FleetStore fleet) {
        this.fleet = fleet;
    }

    @Override
    public String about() {
        return "clocks";
    }

    @Override
    public Seen look() {
        return judge(fleet.recorders().stream()
                .flatMap(r -> r.clockAhead().stream())
                .map(Duration::toSeconds)
                .sorted()
                .toList());
    }

    /** @param ahead by how many seconds each recorder's clock is ahead of this machine's, in order */
    static Seen judge(List<Long> ahead) {
        if (ahead.isEmpty()) {
            return new Seen(State.NOT_KNOWN, "no recorder's clock was read yet", "choir recorder read");
        }
        long usual = ahead.get(ahead.size() / 2);
        long alike =
                ahead.stream().filter(s -> Math.abs(s - usual) <= RIGHT_SECONDS).count();
        if (Math.abs(usual) > RIGHT_SECONDS && ahead.size() >= ENOUGH && alike * 2 > ahead.size()) {
            return Seen.wrong(
                    alike + " of " + ahead.size() + " recorders show about " + Math.abs(usual) + " s "
                            + (usual > 0 ? "more" : "less")
                            + " than this machine, whose own clock may be the wrong one",
                    "set this machine's clock before any recorder's");
        }
        long wrong = ahead.stream().filter(s -> Math.abs(s) > RIGHT_SECONDS).count();
        return wrong == 0
                ? Seen.well("all " + ahead.size() + " that were read agree with this machine's")
                : Seen.look(
                        wrong + " of " + ahead.size() + " recorders show another time than this machine",
                        "choir recorder list says which; choir recorder set-clock sets one");
    }
}

package choir.server.reading;

import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.server.fleet.PasswordStore.Taken;
import java.util.Optional;

/**
 * Giving a recorder another password, and seeing which of the two it takes then. A try with a wrong one counts against the
 * account, so there is never more than one with each.
 */
public final class PasswordTrial {
    /**
     * @param which empty when that could not be seen, so that either may be the right one
     * @param trouble in words; empty when the new one counts
     */
    public record Change(Optional<Taken> which, Optional<String> trouble) {
        static Change taken() {
            return new Change(Optional.of(Taken.NEW), Optional.empty());
        }

        static Change kept(String why) {
            return new Change(Optional.of(Taken.OLD), Optional.of(why));
        }

        static Change open(String why) {
            return new Change(Optional.empty(), Optional.of(why));
        }
    }

    private final RecorderLink link;
    private final RecorderAccess old;
    private final RecorderAccess fresh;

    PasswordTrial(RecorderLink link, RecorderAccess old, String fresh) {
        this.link = link;
        this.old = old;
        this.fresh = old.with(fresh);
    }

    Change change() {
        boolean oldIsWrong = false;
        try {
            link.changePassword(old, fresh.password());
        } catch (LinkException e) {
            if (e.reason() == Reason.REFUSED || e.reason() == Reason.NOT_SUPPORTED) {
                return Change.kept(String.valueOf(e.getMessage()));
            }
            // After a crash it may hold the new one already; else it is not known what became of the call.
            oldIsWrong = e.reason() == Reason.NOT_AUTHORIZED;
        }
        try {
            link.tryPassword(fresh);
            return Change.taken();
        } catch (LinkException e) {
            if (e.reason() != Reason.NOT_AUTHORIZED) {
                return notSeen(e);
            }
        }
        return oldIsWrong ? Change.open(old.who() + " takes neither password") : tryOld();
    }

    private Change tryOld() {
        try {
            link.tryPassword(old);
            return Change.kept(old.who() + " did not take the new password, and keeps the old one");
        } catch (LinkException e) {
            return notSeen(e);
        }
    }

    private Change notSeen(LinkException why) {
        return Change.open("it is not known which password " + old.who()
                + " takes; both are kept, and the next reading tries them (" + why.getMessage() + ")");
    }
}

package choir.server.account;

import choir.server.account.Accounts.Account;
import choir.server.reach.Reach;
import jakarta.servlet.http.HttpServletRequest;

/** Who a request comes from, as they are now, with what they may do by what let them in. */
public final class SignedIn {
    private static final String ATTRIBUTE = "choir.signed-in";

    private SignedIn() {}

    static void put(HttpServletRequest request, Account account) {
        request.setAttribute(ATTRIBUTE, account);
    }

    static void nobody(HttpServletRequest request) {
        request.removeAttribute(ATTRIBUTE);
    }

    static boolean isSomebody(HttpServletRequest request) {
        return request.getAttribute(ATTRIBUTE) instanceof Account;
    }

    /** Where who sends a request may say what cameras are to hold, whatever else the request is for. */
    public static Reach mayEdit(HttpServletRequest request) {
        return of(request).grants().reach(Right.EDIT);
    }

    /** Whether who sends a request looks after the whole fleet. */
    public static boolean mayAdminister(HttpServletRequest request) {
        return of(request).grants().reach(Right.ADMINISTER).isEverywhere();
    }

    /** Of a request that was let in by who sends it. */
    static Account of(HttpServletRequest request) {
        if (request.getAttribute(ATTRIBUTE) instanceof Account account) {
            return account;
        }
        throw new IllegalStateException("nobody was let in by " + request.getRequestURI());
    }
}

package choir.server.standing;

import choir.policy.Calendars;
import choir.policy.PolicyBook;

/** Everything that was said at groups and in calendars, as of a day. */
record Said(PolicyBook book, Calendars calendars) {}

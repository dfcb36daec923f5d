package choir.server.standing;

import choir.policy.Calendars;
import choir.policy.PolicyBook;
import choir.server.policy.NotUnderstood;

/**
 * Everything that was said at groups and in calendars, as of a day.
 *
 * @param not what is stored of it and cannot be understood
 */
record Said(PolicyBook book, Calendars calendars, NotUnderstood not) {}

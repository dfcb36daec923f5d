/** What is put on disks, how long it stays there, and what a change of policy would make of both. */
@NullMarked
package choir.server.forecast;

import org.jspecify.annotations.NullMarked;

/** Copies of what is stored, made while the service runs, and what it means to go back to one. */
@NullMarked
package choir.server.backup;

import org.jspecify.annotations.NullMarked;

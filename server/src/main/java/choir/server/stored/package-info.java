/** Facts as columns hold them: JSON with a version, written and read by one codec for each type. */
@NullMarked
package choir.server.stored;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.fleet;

import org.jspecify.annotations.NullMarked;

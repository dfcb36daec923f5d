@NullMarked
package choir.sim;

import org.jspecify.annotations.NullMarked;

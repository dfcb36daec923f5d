@NullMarked
package choir.scale;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.drift;

import org.jspecify.annotations.NullMarked;

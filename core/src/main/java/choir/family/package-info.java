@NullMarked
package choir.family;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.area;

import org.jspecify.annotations.NullMarked;

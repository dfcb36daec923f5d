@NullMarked
package choir.week;

import org.jspecify.annotations.NullMarked;

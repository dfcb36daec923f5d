@NullMarked
package choir.bench;

import org.jspecify.annotations.NullMarked;

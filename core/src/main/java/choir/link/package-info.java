@NullMarked
package choir.link;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.story;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.refusal;

import org.jspecify.annotations.NullMarked;

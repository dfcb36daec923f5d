@NullMarked
package choir.rollout;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.policy;

import org.jspecify.annotations.NullMarked;

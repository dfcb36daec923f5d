@NullMarked
package choir.storage;

import org.jspecify.annotations.NullMarked;

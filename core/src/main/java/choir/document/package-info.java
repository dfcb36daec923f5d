@NullMarked
package choir.document;

import org.jspecify.annotations.NullMarked;

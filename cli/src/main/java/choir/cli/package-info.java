@NullMarked
package choir.cli;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.survey;

import org.jspecify.annotations.NullMarked;

@NullMarked
package choir.onvif;

import org.jspecify.annotations.NullMarked;

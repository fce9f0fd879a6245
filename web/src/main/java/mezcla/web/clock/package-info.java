/** The present, as the log counts it. */
@NullMarked
package mezcla.web.clock;

import org.jspecify.annotations.NullMarked;

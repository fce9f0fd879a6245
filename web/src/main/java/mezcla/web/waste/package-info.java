/** Waste drums: what is in them, what may go in, and when they are to be collected. */
@NullMarked
package mezcla.web.waste;

import org.jspecify.annotations.NullMarked;

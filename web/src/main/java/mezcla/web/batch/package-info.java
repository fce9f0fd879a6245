/** One batch: is it still good, and why? */
@NullMarked
package mezcla.web.batch;

import org.jspecify.annotations.NullMarked;

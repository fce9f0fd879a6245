/** The plan of a mix. */
@NullMarked
package mezcla.web.bench.mix;

import org.jspecify.annotations.NullMarked;

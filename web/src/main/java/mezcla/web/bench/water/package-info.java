/** Water for mixing: from which taps, how warm, and how long it takes. */
@NullMarked
package mezcla.web.bench.water;

import org.jspecify.annotations.NullMarked;

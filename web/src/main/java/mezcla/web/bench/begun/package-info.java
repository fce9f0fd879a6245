/** Mixes that are under way. */
@NullMarked
package mezcla.web.bench.begun;

import org.jspecify.annotations.NullMarked;

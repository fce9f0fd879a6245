/** Mixes that are under way. */
@NullMarked
package mezcla.web.mixes;

import org.jspecify.annotations.NullMarked;

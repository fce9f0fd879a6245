/** Figures, units and sentences as members read them. */
@NullMarked
package mezcla.web.words;

import org.jspecify.annotations.NullMarked;

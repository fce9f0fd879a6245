/** Film as it is typed: how many rolls, of which format, whose, how far pushed, in which tank. */
@NullMarked
package mezcla.web.film;

import org.jspecify.annotations.NullMarked;

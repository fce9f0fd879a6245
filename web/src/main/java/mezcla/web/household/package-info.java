/** The House: how it begins, who belongs to it, what it owns. */
@NullMarked
package mezcla.web.household;

import org.jspecify.annotations.NullMarked;

/** The machine's clock: whether it is right, and what to do about entries that were made while it was not. */
@NullMarked
package mezcla.web.house.clock;

import org.jspecify.annotations.NullMarked;

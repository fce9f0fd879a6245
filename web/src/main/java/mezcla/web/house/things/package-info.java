/** What the house keeps lists of. */
@NullMarked
package mezcla.web.house.things;

import org.jspecify.annotations.NullMarked;

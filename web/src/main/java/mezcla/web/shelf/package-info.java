/** The Shelf: what can I use tonight, and for how long? */
@NullMarked
package mezcla.web.shelf;

import org.jspecify.annotations.NullMarked;

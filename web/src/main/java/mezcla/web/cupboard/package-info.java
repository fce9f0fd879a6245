/** The Cupboard: what kits do we have, and what is left? */
@NullMarked
package mezcla.web.cupboard;

import org.jspecify.annotations.NullMarked;

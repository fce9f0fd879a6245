/** The file in which everything is kept. */
@NullMarked
package mezcla.web.store;

import org.jspecify.annotations.NullMarked;

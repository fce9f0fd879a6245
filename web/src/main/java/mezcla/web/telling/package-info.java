/** How entries read. */
@NullMarked
package mezcla.web.telling;

import org.jspecify.annotations.NullMarked;

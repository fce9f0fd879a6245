/** How entries read. */
@NullMarked
package mezcla.web.journal.telling;

import org.jspecify.annotations.NullMarked;

/** The Journal: what happened, who did it, when? */
@NullMarked
package mezcla.web.journal;

import org.jspecify.annotations.NullMarked;

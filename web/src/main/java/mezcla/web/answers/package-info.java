/** What several places ask: the plan of the next roll, and what forms are read by. */
@NullMarked
package mezcla.web.answers;

import org.jspecify.annotations.NullMarked;

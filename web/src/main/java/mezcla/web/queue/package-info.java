/** Whose film goes in next, and whether it is worth mixing for. */
@NullMarked
package mezcla.web.queue;

import org.jspecify.annotations.NullMarked;

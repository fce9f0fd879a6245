/** The log of what happened, and the state of kits, fills and batches that it adds up to (rules, sections 1, 3.4 and 4.1). */
@NullMarked
package mezcla.batch;

import org.jspecify.annotations.NullMarked;

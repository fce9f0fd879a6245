/** The rows of the log: what can happen in a darkroom, and what each row touches and rests on. */
@NullMarked
package mezcla.log;

import org.jspecify.annotations.NullMarked;

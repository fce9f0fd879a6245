/** Runs that were started. */
@NullMarked
package mezcla.web.run.underway;

import org.jspecify.annotations.NullMarked;

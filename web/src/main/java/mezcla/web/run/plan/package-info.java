/** The plan of a run, and its log. */
@NullMarked
package mezcla.web.run.plan;

import org.jspecify.annotations.NullMarked;

/** How a run is done here, for the plan to choose from. */
@NullMarked
package mezcla.web.run.ways;

import org.jspecify.annotations.NullMarked;

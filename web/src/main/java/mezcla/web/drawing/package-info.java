/** Geometry of the drawings: templates only print it. */
@NullMarked
package mezcla.web.drawing;

import org.jspecify.annotations.NullMarked;

/** Drawings over time: the life of a fill, a run, an evening, warming up. */
@NullMarked
package mezcla.web.drawing.plot;

import org.jspecify.annotations.NullMarked;

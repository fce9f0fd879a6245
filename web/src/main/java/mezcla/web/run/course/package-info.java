/** The course of a run: planned, started, given up or logged. */
@NullMarked
package mezcla.web.run.course;

import org.jspecify.annotations.NullMarked;

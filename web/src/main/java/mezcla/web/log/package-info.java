/** Writes and reads the log, in SQLite. */
@NullMarked
package mezcla.web.log;

import org.jspecify.annotations.NullMarked;

/** What the house decided for everybody: rows of the log, with who and when, which can be taken back. */
@NullMarked
package mezcla.web.decided;

import org.jspecify.annotations.NullMarked;

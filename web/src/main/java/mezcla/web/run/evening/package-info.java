/** Several loads in a row. */
@NullMarked
package mezcla.web.run.evening;

import org.jspecify.annotations.NullMarked;

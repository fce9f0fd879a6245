/** A mix, act by act. */
@NullMarked
package mezcla.web.bench.walk;

import org.jspecify.annotations.NullMarked;

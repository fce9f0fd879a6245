/** Taking over what stands on the shelf already. */
@NullMarked
package mezcla.web.adopt;

import org.jspecify.annotations.NullMarked;

/** One bottle: what is really in it, and may it be used? */
@NullMarked
package mezcla.web.fill;

import org.jspecify.annotations.NullMarked;

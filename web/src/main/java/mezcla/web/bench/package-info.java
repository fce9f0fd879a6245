/** The Bench: what do I mix? */
@NullMarked
package mezcla.web.bench;

import org.jspecify.annotations.NullMarked;

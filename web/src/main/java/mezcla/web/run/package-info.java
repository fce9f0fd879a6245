/** The Run: these rolls through that batch. */
@NullMarked
package mezcla.web.run;

import org.jspecify.annotations.NullMarked;

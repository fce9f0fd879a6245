/** Passwords, and how often somebody may try. */
@NullMarked
package mezcla.web.access.secrets;

import org.jspecify.annotations.NullMarked;

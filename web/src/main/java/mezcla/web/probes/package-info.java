/** The probes of the house, and what they showed. */
@NullMarked
package mezcla.web.probes;

import org.jspecify.annotations.NullMarked;

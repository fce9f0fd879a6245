/** The waste drums of the house, and what is in them. */
@NullMarked
package mezcla.web.drums;

import org.jspecify.annotations.NullMarked;

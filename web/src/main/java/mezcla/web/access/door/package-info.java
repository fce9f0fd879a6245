/** The way in: who is let in, from which device, and what is kept for whoever has to sign in first. */
@NullMarked
package mezcla.web.access.door;

import org.jspecify.annotations.NullMarked;

/** How big a batch, how big a kit, when to mix, and whose film is next (rules, section 10). */
@NullMarked
package mezcla.planning;

import org.jspecify.annotations.NullMarked;

/** Scaling a recipe to the volume wanted, and what a kit still allows (rules, section 3). */
@NullMarked
package mezcla.mixing;

import org.jspecify.annotations.NullMarked;

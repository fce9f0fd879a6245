/** Labels and cards, made to be printed. */
@NullMarked
package mezcla.web.label;

import org.jspecify.annotations.NullMarked;

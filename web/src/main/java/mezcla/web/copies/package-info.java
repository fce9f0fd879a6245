/** Copies of everything that a house keeps: made while it runs, checked, kept for a while, and brought back. */
@NullMarked
package mezcla.web.copies;

import org.jspecify.annotations.NullMarked;

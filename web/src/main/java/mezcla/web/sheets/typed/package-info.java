/** A sheet as it was typed: its fields, how they are read, and what is said about them. */
@NullMarked
package mezcla.web.sheets.typed;

import org.jspecify.annotations.NullMarked;

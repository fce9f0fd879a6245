/** Sheets in words. */
@NullMarked
package mezcla.web.sheets.told;

import org.jspecify.annotations.NullMarked;

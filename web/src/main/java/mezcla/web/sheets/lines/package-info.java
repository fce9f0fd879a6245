/** What stands in one line of a sheet, and rows of baths that are put in, moved and taken out. */
@NullMarked
package mezcla.web.sheets.lines;

import org.jspecify.annotations.NullMarked;

/** Sheets that are being typed, and what they begin from. */
@NullMarked
package mezcla.web.leaflet.draft;

import org.jspecify.annotations.NullMarked;

/** Leaflets that are kept: their pages, and the drawn sheet. */
@NullMarked
package mezcla.web.leaflet.page;

import org.jspecify.annotations.NullMarked;

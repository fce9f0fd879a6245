/** Keeps leaflets, as documents that never change. */
@NullMarked
package mezcla.web.leaflet;

import org.jspecify.annotations.NullMarked;

/** Leaflets as they are typed in. */
@NullMarked
package mezcla.web.leaflet.editor;

import org.jspecify.annotations.NullMarked;

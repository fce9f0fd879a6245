/** The editor: a sheet, a view at a time. */
@NullMarked
package mezcla.web.leaflet.editor;

import org.jspecify.annotations.NullMarked;

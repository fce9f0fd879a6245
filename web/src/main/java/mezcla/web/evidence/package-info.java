/** What the house has seen of a leaflet's baths, and the limits that it sets itself. */
@NullMarked
package mezcla.web.evidence;

import org.jspecify.annotations.NullMarked;

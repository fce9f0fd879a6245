/** What a kit's printed sheet says: parts, baths, recipes, times, capacity and life (rules, section 1). */
@NullMarked
package mezcla.leaflet;

import org.jspecify.annotations.NullMarked;

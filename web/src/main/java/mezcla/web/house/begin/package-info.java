/** The beginning of a house. */
@NullMarked
package mezcla.web.house.begin;

import org.jspecify.annotations.NullMarked;

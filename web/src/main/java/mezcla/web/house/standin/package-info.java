/** What the house takes where a sheet prints no life or no capacity. */
@NullMarked
package mezcla.web.house.standin;

import org.jspecify.annotations.NullMarked;

/** The house: its name, members, tanks and bottles. */
@NullMarked
package mezcla.web.house;

import org.jspecify.annotations.NullMarked;

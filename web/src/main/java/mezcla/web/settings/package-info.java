/** The house: its name, members, tanks and bottles. */
@NullMarked
package mezcla.web.settings;

import org.jspecify.annotations.NullMarked;

/** What needs doing in a house, and by when (rules, section 14). */
@NullMarked
package mezcla.due;

import org.jspecify.annotations.NullMarked;

/** What needs doing this week, for the house and for each member. */
@NullMarked
package mezcla.web.week;

import org.jspecify.annotations.NullMarked;

/** The House page: members, how strictly, how it is done, this house. */
@NullMarked
package mezcla.web.house.hall;

import org.jspecify.annotations.NullMarked;

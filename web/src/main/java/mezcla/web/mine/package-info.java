/** What is a member's own, in one place. */
@NullMarked
package mezcla.web.mine;

import org.jspecify.annotations.NullMarked;

/** A hand for whoever begins: the steps of a new house, and the first evening of a member. */
@NullMarked
package mezcla.web.beginning;

import org.jspecify.annotations.NullMarked;

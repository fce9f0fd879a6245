/** Who belongs to the house: what each may do, what they did, and how somebody leaves. */
@NullMarked
package mezcla.web.members;

import org.jspecify.annotations.NullMarked;

/** Who belongs to the house, how they sign in, and who is at a shared device. */
@NullMarked
package mezcla.web.access;

import org.jspecify.annotations.NullMarked;

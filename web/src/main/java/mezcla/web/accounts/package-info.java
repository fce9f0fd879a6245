/** Who owes what, and what kits on offer cost. */
@NullMarked
package mezcla.web.accounts;

import org.jspecify.annotations.NullMarked;

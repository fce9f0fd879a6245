/** Keeps leaflets, as documents that never change. */
@NullMarked
package mezcla.web.sheets;

import org.jspecify.annotations.NullMarked;

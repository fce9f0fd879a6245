/** How runs are usually done. */
@NullMarked
package mezcla.web.ribbon.usual;

import org.jspecify.annotations.NullMarked;

/** Steps and reports as they are shown. */
@NullMarked
package mezcla.web.ribbon.shown;

import org.jspecify.annotations.NullMarked;

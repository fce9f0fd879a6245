/** What people type into fields, read. */
@NullMarked
package mezcla.web.forms.typed;

import org.jspecify.annotations.NullMarked;

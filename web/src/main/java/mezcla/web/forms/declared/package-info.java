/** Forms that are declared: records whose components say what a field takes, and how they are read. */
@NullMarked
package mezcla.web.forms.declared;

import org.jspecify.annotations.NullMarked;

/** Forms that count once, what was typed into them, and what stands beside their fields. */
@NullMarked
package mezcla.web.forms;

import org.jspecify.annotations.NullMarked;

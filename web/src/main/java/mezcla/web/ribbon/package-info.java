/** The ribbon: a run played step by step, for real or for practice. */
@NullMarked
package mezcla.web.ribbon;

import org.jspecify.annotations.NullMarked;

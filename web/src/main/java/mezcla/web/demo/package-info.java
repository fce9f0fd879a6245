/** The demonstration: a darkroom with invented people, kits and film. */
@NullMarked
package mezcla.web.demo;

import org.jspecify.annotations.NullMarked;

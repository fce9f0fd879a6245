/** A house that has been at it for ten years, and how long its pages take; {@code bin/bench} runs it. */
@NullMarked
package mezcla.tenyears;

import org.jspecify.annotations.NullMarked;

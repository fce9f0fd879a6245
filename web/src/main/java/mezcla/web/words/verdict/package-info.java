/** States and reasons in words. */
@NullMarked
package mezcla.web.words.verdict;

import org.jspecify.annotations.NullMarked;

/** What signs on film and in bottles mean, found by the words that people type. */
@NullMarked
package mezcla.web.look.signs;

import org.jspecify.annotations.NullMarked;

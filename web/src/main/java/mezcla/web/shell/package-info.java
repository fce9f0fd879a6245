/** What all places share: sign-in, layout, errors, words and figures. */
@NullMarked
package mezcla.web.shell;

import org.jspecify.annotations.NullMarked;

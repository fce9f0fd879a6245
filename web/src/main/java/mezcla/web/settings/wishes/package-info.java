/** What members want for themselves, beside what the house decides. */
@NullMarked
package mezcla.web.settings.wishes;

import org.jspecify.annotations.NullMarked;

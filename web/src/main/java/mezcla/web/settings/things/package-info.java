/** What the house is, and has. */
@NullMarked
package mezcla.web.settings.things;

import org.jspecify.annotations.NullMarked;

/** What every page has around it, and the pages for what could not be shown. */
@NullMarked
package mezcla.web.layout;

import org.jspecify.annotations.NullMarked;

/** What members are and were called. */
@NullMarked
package mezcla.web.access.names;

import org.jspecify.annotations.NullMarked;

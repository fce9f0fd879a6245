/** What a ribbon says when something goes wrong. */
@NullMarked
package mezcla.web.ribbon.accident;

import org.jspecify.annotations.NullMarked;

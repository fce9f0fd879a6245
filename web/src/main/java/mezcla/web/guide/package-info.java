/** The guide for members, inside the application. */
@NullMarked
package mezcla.web.guide;

import org.jspecify.annotations.NullMarked;

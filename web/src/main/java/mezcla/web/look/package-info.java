/** Looks at dry film, clip tests and baths, and the guide to what they mean. */
@NullMarked
package mezcla.web.look;

import org.jspecify.annotations.NullMarked;

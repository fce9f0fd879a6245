/** Warming up: when bottles in a water bath are ready to pour. */
@NullMarked
package mezcla.web.warm;

import org.jspecify.annotations.NullMarked;

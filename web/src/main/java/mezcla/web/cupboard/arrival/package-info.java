/** Kits as they come: chosen by their picture, several at once, logged by stewards and proposed by members. */
@NullMarked
package mezcla.web.cupboard.arrival;

import org.jspecify.annotations.NullMarked;

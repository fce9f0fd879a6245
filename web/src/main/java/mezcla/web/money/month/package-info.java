/** What stewards look at and decide: the end of a month, and prices. */
@NullMarked
package mezcla.web.money.month;

import org.jspecify.annotations.NullMarked;

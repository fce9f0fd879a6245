/** Which kit to buy, and how much of it to mix at once. */
@NullMarked
package mezcla.web.money.buy;

import org.jspecify.annotations.NullMarked;

/** What film cost, who owes what, and which kit to buy. */
@NullMarked
package mezcla.web.money;

import org.jspecify.annotations.NullMarked;

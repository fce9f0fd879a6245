/** The place of money: who owes what, accounts, a member’s own film. */
@NullMarked
package mezcla.web.money.account;

import org.jspecify.annotations.NullMarked;

/** What a kit's landed cost gives to each fill, and what a roll costs (rules, section 8). */
@NullMarked
package mezcla.money;

import org.jspecify.annotations.NullMarked;

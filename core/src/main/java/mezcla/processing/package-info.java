/** The time a bath needs for a run (rules, section 4). */
@NullMarked
package mezcla.processing;

import org.jspecify.annotations.NullMarked;

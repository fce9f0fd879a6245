/** Whether a batch is still good, and why; whether a planned run fits (rules, section 6). */
@NullMarked
package mezcla.verdict;

import org.jspecify.annotations.NullMarked;

/** Practice: runs without film or chemistry, what was late or missed in them, and what stewards sign off. */
@NullMarked
package mezcla.web.practice;

import org.jspecify.annotations.NullMarked;

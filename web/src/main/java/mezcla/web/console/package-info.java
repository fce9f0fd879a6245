/** What is asked of a house from the console, which opens for it, answers and stops. */
@NullMarked
package mezcla.web.console;

import org.jspecify.annotations.NullMarked;

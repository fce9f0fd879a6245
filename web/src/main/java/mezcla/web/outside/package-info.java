/** What is looked at without signing in, by whoever was given an address: a calendar, and a screen on the wall. */
@NullMarked
package mezcla.web.outside;

import org.jspecify.annotations.NullMarked;

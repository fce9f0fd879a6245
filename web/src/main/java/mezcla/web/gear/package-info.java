/** What it takes to mix a kit and to run film with it, before one is bought. */
@NullMarked
package mezcla.web.gear;

import org.jspecify.annotations.NullMarked;

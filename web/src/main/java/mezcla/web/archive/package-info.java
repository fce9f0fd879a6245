/** The whole house in open formats, written out and read in again. */
@NullMarked
package mezcla.web.archive;

import org.jspecify.annotations.NullMarked;

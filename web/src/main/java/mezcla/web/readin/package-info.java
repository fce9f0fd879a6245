/** Lists that stewards have already, read in from tables. */
@NullMarked
package mezcla.web.readin;

import org.jspecify.annotations.NullMarked;

/** Single baths that are mixed afresh or topped up. */
@NullMarked
package mezcla.web.bench.fresh;

import org.jspecify.annotations.NullMarked;

/** Batches that go by another version of their leaflet. */
@NullMarked
package mezcla.web.batch.corrections;

import org.jspecify.annotations.NullMarked;

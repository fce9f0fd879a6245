/** What the queue proposes: loads for the film that waits, and why the rest of it waits. */
@NullMarked
package mezcla.web.queue.proposed;

import org.jspecify.annotations.NullMarked;

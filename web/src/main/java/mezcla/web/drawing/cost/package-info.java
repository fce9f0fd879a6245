/** What rolls cost, drawn: by how far a batch is used, by kit and size, over seasons. */
@NullMarked
package mezcla.web.drawing.cost;

import org.jspecify.annotations.NullMarked;

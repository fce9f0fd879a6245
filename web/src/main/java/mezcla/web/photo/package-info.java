/** Photos of film: read, stripped of everything but the picture, kept beside the database. */
@NullMarked
package mezcla.web.photo;

import org.jspecify.annotations.NullMarked;

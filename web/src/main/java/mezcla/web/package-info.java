/** The application: pages, drawings, log, sign-in. */
@NullMarked
package mezcla.web;

import org.jspecify.annotations.NullMarked;

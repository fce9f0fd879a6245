/** Volumes, masses, temperatures, times and film formats: how they are typed, held and shown (rules, section 2). */
@NullMarked
package mezcla.measure;

import org.jspecify.annotations.NullMarked;

/** Probes: temperatures that come in by themselves, from devices and from a stand-in for one. */
@NullMarked
package mezcla.web.probe;

import org.jspecify.annotations.NullMarked;

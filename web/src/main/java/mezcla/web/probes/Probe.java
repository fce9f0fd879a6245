package mezcla.web.probes;

import java.time.Instant;

/**
 * What measures temperatures by itself.
 *
 * @param id which one
 * @param name what it is called
 * @param simulated whether it is a stand-in that measures nothing
 */
public record Probe(long id, String name, boolean simulated) {
    /**
     * A temperature that it showed.
     *
     * @param at when
     * @param celsius in °C
     */
    public record Reading(Instant at, double celsius) {}
}

package mezcla.mixing;

import mezcla.leaflet.Unit;

/**
 * Something to measure with.
 *
 * @param name what it is called
 * @param unit what it measures
 * @param capacity how much at once, in that unit
 * @param graduation how fine it is marked, in that unit
 */
public record Tool(String name, Unit unit, double capacity, double graduation) {}

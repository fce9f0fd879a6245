package mezcla.web.settings.things;

/**
 * Something that keeps a water bath warm.
 *
 * @param id which one
 * @param name what it is called
 * @param offsetC how much warmer the water really is than its display says, in K
 */
public record Heater(long id, String name, double offsetC) {}

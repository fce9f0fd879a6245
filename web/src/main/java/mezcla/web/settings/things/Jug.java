package mezcla.web.settings.things;

/**
 * A jug to mix in.
 *
 * @param id which one
 * @param name what it is called
 * @param capacityMl what it holds to the brim, in ml
 */
public record Jug(long id, String name, double capacityMl) {}

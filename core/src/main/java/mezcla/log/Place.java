package mezcla.log;

/**
 * Where bottles stand.
 *
 * @param id which one
 * @param name what members call it
 */
public record Place(long id, String name) {}

package mezcla.web.house;

/**
 * A developing tank.
 *
 * @param id which one
 * @param name what it is called
 * @param volumeMl what it takes of each bath, in ml
 */
public record Tank(long id, String name, double volumeMl) {}

package mezcla.leaflet;

import java.util.stream.Stream;

/**
 * A family of chemistry: one of the three that everybody knows, or another that the house names.
 *
 * @param key a short name in lower case with hyphens
 * @param name how members call it
 */
public record FilmProcess(String key, String name) {
    /** Colour negative. */
    public static final FilmProcess COLOUR_NEGATIVE = new FilmProcess("colour-negative", "Colour negative");

    /** Colour slide, also called reversal. */
    public static final FilmProcess COLOUR_SLIDE = new FilmProcess("colour-slide", "Colour slide");

    /** Colour negative film with a carbon backing, which must come off first. */
    public static final FilmProcess CINE_NEGATIVE = new FilmProcess("cine-negative", "Cine negative");

    /** A process that the house names, with the key of its name. */
    public static FilmProcess named(String key, String name) {
        FilmProcess known = of(key);
        return known.name().equals(key) ? new FilmProcess(key, name) : known;
    }

    /** The process of that key; one that the house names where it is none of the three. */
    public static FilmProcess of(String key) {
        return Stream.of(COLOUR_NEGATIVE, COLOUR_SLIDE, CINE_NEGATIVE)
                .filter(process -> process.key().equals(key))
                .findFirst()
                .orElseGet(() -> new FilmProcess(key, key));
    }
}

package mezcla.web.settings.things;

/** What the house keeps lists of. */
public enum Thing {
    /** Developing tanks. */
    TANK,
    /** Bottles for fills. */
    BOTTLE,
    /** Places where bottles stand. */
    PLACE,
    /** Cylinders, pipettes, syringes, scales. */
    TOOL,
    /** Jugs to mix in. */
    JUG,
    /** Heaters of water baths. */
    HEATER
}

package mezcla.leaflet;

/** In what a part is measured. */
public enum Unit {
    /** Liquids, in millilitres. */
    ML("ml"),
    /** Powders, in grams. */
    G("g");

    private final String symbol;

    Unit(String symbol) {
        this.symbol = symbol;
    }

    /** How it is written behind an amount. */
    public String symbol() {
        return symbol;
    }
}

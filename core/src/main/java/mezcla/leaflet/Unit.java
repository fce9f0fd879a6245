package mezcla.leaflet;

/** In what a part is measured, and what it brings into a mix (rules, 3.1 and 3.2). */
public enum Unit {
    /** Liquids, in millilitres. */
    ML("ml", 1, 1),
    /** Powders, in grams. */
    G("g", 0.6, 0.35),
    /** Sachets or tablets whose weight nobody printed: they are counted, and only go in whole. */
    SACHET("sachet", 0, 0);

    private final String symbol;
    private final double roomMl;
    private final double heat;

    Unit(String symbol, double roomMl, double heat) {
        this.symbol = symbol;
        this.roomMl = roomMl;
        this.heat = heat;
    }

    /** How it is written behind an amount. */
    public String symbol() {
        return symbol;
    }

    /** The room that an amount takes in a mix, in ml; none for what has no printed weight. */
    public double roomMl(double amount) {
        return amount * roomMl;
    }

    /** How much heat an amount brings into a mix, as ml of water would; none for what has no printed weight. */
    public double heat(double amount) {
        return amount * heat;
    }

    /** Whether it can be divided and measured. */
    public boolean isMeasured() {
        return this != SACHET;
    }
}

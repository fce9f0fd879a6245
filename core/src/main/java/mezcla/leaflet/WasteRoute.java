package mezcla.leaflet;

import mezcla.measure.Refusal;

/** Where used solution goes, by kind (rules, sections 6 and 11). */
public enum WasteRoute {
    /** The drum for developers. */
    DEVELOPERS("Developer waste"),
    /** The drum for what carries silver. */
    SILVER_BEARING("Silver-bearing waste"),
    /** The drum for everything else. */
    OTHERS("Other waste");

    private final String words;

    WasteRoute(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }

    /**
     * Refuses what must never meet: developers and what carries silver are kept apart.
     *
     * @param role what is poured away
     * @throws Refusal {@code waste-kept-apart}
     */
    public void accept(BathRole role) {
        WasteRoute usual = of(role);
        if (this != OTHERS && usual != OTHERS && this != usual) {
            throw Refusal.of(new LeafletObjection.WasteKeptApart(role.name(), words));
        }
    }

    /** Where a bath of that role goes: fixer and bleach-fix carry silver and never meet a developer. */
    public static WasteRoute of(BathRole role) {
        return role.nature().waste();
    }
}

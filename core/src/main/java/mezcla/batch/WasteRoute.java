package mezcla.batch;

import mezcla.leaflet.BathRole;

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

    /** Where a bath of that role goes: fixer and bleach-fix carry silver and never meet a developer. */
    public static WasteRoute of(BathRole role) {
        if (role.isDeveloper()) {
            return DEVELOPERS;
        }
        return role.fixes() || role.nature() == BathRole.Nature.BLEACH ? SILVER_BEARING : OTHERS;
    }
}

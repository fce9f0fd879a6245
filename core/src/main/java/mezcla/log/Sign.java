package mezcla.log;

import mezcla.leaflet.BathRole;

/** What a look into a bottle can show (rules, section 6). */
public enum Sign {
    /** Foreign solution got in. */
    CONTAMINATED("foreign solution in it"),
    /** Sludge at the bottom. */
    SLUDGE("sludge at the bottom"),
    /** Gone black. */
    BLACK("gone black"),
    /** Darker than fresh, which is normal. */
    DARK("darker than fresh"),
    /** Crystals, as cold solutions have them: warm it and stir. */
    CRYSTALS("crystals in it"),
    /** It smells otherwise than it should. */
    SMELL("a smell that is not its own");

    private final String words;

    Sign(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }

    /** Whether it condemns a bath of that role by itself (rules, section 6). */
    public boolean condemns(BathRole role) {
        return this == CONTAMINATED || this == SLUDGE || (this == BLACK && role.isDeveloper());
    }
}

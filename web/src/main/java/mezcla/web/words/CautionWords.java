package mezcla.web.words;

import mezcla.leaflet.Caution;

/** Cautions, in words. */
public final class CautionWords {
    private CautionWords() {}

    /** What to do, before a mix begins. */
    public static String of(Caution caution) {
        return switch (caution) {
            case GLOVES_AND_EYES -> "Chemical-resistant gloves, not reused once soiled, and eye protection.";
            case MASK -> "Powder: a fitted particle mask, and air moving away from people.";
            case AIR -> "Bleach-fix: air moving away from people.";
            case SENSITISES -> "Colour developer can sensitise skin for life: wash off at once what gets on it.";
            case ACID_INTO_WATER -> "Acid bleach goes into water, never water into it.";
            case FIZZES -> "Bleach-fix may fizz: leave headspace, and never close a bottle that still does.";
            case STAINS -> "Bleach-fix stains skin, cloth and sinks.";
            case FORMALDEHYDE -> "Old stabilisers can contain formaldehyde: read the sheet, move the air.";
            case KNOW_WHERE ->
                "Know where eye-wash, spill kit and first aid are. No food at the bench; tools never go back to a kitchen; keep from children. Local rules and the maker’s safety sheet come first.";
        };
    }

    /** The same in as few words as a label has room for. */
    public static String onLabel(Caution caution) {
        return switch (caution) {
            case SENSITISES -> "Sensitises skin.";
            case FIZZES -> "May fizz: do not close while it does.";
            case STAINS -> "Stains.";
            case FORMALDEHYDE -> "May contain formaldehyde.";
            case GLOVES_AND_EYES, MASK, AIR, ACID_INTO_WATER, KNOW_WHERE -> of(caution);
        };
    }
}

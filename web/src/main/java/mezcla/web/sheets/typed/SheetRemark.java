package mezcla.web.sheets.typed;

/**
 * Something that is said about a sheet while it is typed.
 *
 * @param kind how serious it is
 * @param field the field that it is about
 * @param sentence what is said, as a whole sentence
 */
public record SheetRemark(Kind kind, String field, String sentence) {
    /** How serious it is. */
    public enum Kind {
        /** It cannot be read. */
        FAULT,
        /** Nothing stands there yet. */
        MISSING,
        /** It is odd, and may be right all the same. */
        QUESTION,
        /** What stands in for what the sheet leaves out. */
        SAID
    }

    /** Whether the sheet cannot be kept before it is mended. */
    public boolean hinders() {
        return kind == Kind.FAULT || kind == Kind.MISSING;
    }
}

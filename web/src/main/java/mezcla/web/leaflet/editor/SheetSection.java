package mezcla.web.leaflet.editor;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.web.sheets.typed.SheetForm;

/**
 * One view of the editor, in the order of the paper.
 *
 * @param kind what it asks about
 * @param bath the row of the bath at hand; −1 where it is about all of them
 */
public record SheetSection(Kind kind, int bath) {
    private static final Pattern OF_BATH = Pattern.compile("bath([0-9]{1,2})-([a-zA-Z]+).*");
    private static final Pattern KEY = Pattern.compile("([a-z]+)(?:-([0-9]{1,2}))?");

    /** What a view asks about. */
    public enum Kind {
        /** The name of the kit and what is in its box. */
        BOX("Box"),
        /** The recipe of one bath. */
        MIXING("Mixing"),
        /** The times of one bath. */
        TIMES("Times"),
        /** How the tank is moved, and what happens to the film. */
        MOVEMENT("Movement"),
        /** How much and how long everything lasts. */
        LASTS("Lasts"),
        /** Times that the sheet works out itself. */
        EXAMPLES("Examples");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** What it is called. */
        public String words() {
            return words;
        }

        private String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** Every view of a sheet, in order. */
    static List<SheetSection> of(SheetForm form) {
        List<SheetSection> all = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            if (kind == Kind.MIXING || kind == Kind.TIMES) {
                form.bathRows().forEach(bath -> all.add(new SheetSection(kind, bath)));
            } else {
                all.add(new SheetSection(kind, -1));
            }
        }
        return all;
    }

    /** The view of that key; the first where it is none of the sheet's. */
    static SheetSection of(SheetForm form, String key) {
        Matcher matcher = KEY.matcher(key);
        if (!matcher.matches()) {
            return of(form).get(0);
        }
        int bath = matcher.group(2) == null ? -1 : Integer.parseInt(matcher.group(2));
        return of(form).stream()
                .filter(each -> each.kind.key().equals(matcher.group(1)) && (each.bath == bath || bath < 0))
                .findFirst()
                .orElse(of(form).get(0));
    }

    /** The view that has a field. */
    static SheetSection holding(SheetForm form, String field) {
        Matcher ofBath = OF_BATH.matcher(field);
        if (!ofBath.matches()) {
            return of(
                    form,
                    switch (field) {
                        case "clock", "steps" -> Kind.MOVEMENT.key();
                        case "examples" -> Kind.EXAMPLES.key();
                        case "lasts", "keeps" -> Kind.LASTS.key();
                        default ->
                            field.matches("part[0-9]+-(sealed|opened|vials|air|share)")
                                    ? Kind.LASTS.key()
                                    : Kind.BOX.key();
                    });
        }
        String bath = ofBath.group(1);
        return of(
                form,
                switch (ofBath.group(2)) {
                    case "role", "roleName", "letters" -> Kind.BOX.key();
                    case "mode", "makes", "water", "mixing" -> Kind.MIXING.key() + "-" + bath;
                    case "moved" -> Kind.MOVEMENT.key();
                    case "lasts", "capacity", "capacityFor", "life", "oneShot" -> Kind.LASTS.key();
                    default -> (field.contains("-add") ? Kind.MIXING : Kind.TIMES).key() + "-" + bath;
                });
    }

    /** A short name for it, as it stands in addresses. */
    public String key() {
        return bath < 0 ? kind.key() : kind.key() + "-" + bath;
    }
}

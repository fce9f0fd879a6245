package mezcla.web.sheets.lines;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.PrintedLine;
import mezcla.leaflet.PrintedLine.Keeping;
import mezcla.leaflet.PrintedLine.Lasting;
import mezcla.leaflet.PrintedLine.Timed;
import mezcla.leaflet.PrintedLine.Watered;

/**
 * A sheet with each figure in its own field, whichever way it was typed: a line that says several things is parted,
 * <em>same</em> is what the bath before says, and what is said of all baths or parts is said of each that says nothing
 * else. What stands in its own field counts.
 *
 * @param typed every field
 * @param standsAt the field into which somebody typed it, where that is another one
 */
public record UnfoldedSheet(Map<String, String> typed, Map<String, String> standsAt) {
    private static final List<String> OF_A_BATH = List.of(
            "water",
            "mixing",
            "time",
            "at",
            "within",
            "rotary",
            "bands",
            "push",
            "table",
            "moved",
            "lasts",
            "capacity",
            "life");
    private static final List<String> OF_A_PART = List.of("amount", "sealed", "opened", "vials");

    /**
     * Unfolds a sheet.
     *
     * @param typed what was typed, by field
     * @param baths the rows of its baths, in order
     * @param parts how many rows of parts there are
     */
    public static UnfoldedSheet of(Map<String, String> typed, List<Integer> baths, int parts) {
        UnfoldedSheet sheet = new UnfoldedSheet(new HashMap<>(typed), new HashMap<>());
        for (int i = 1; i < baths.size(); i++) {
            sheet.takeOver("bath" + baths.get(i - 1) + "-", "bath" + baths.get(i) + "-", OF_A_BATH);
        }
        for (int i = 1; i < parts; i++) {
            sheet.takeOver("part" + (i - 1) + "-", "part" + i + "-", OF_A_PART);
        }
        for (int bath : baths) {
            sheet.unfoldBath("bath" + bath + "-", bath == baths.get(0));
        }
        for (int part = 0; part < parts; part++) {
            sheet.unfoldPart("part" + part + "-");
        }
        return sheet;
    }

    private void takeOver(String before, String at, List<String> fields) {
        for (String field : fields) {
            if (PrintedLine.isSame(at(at + field))) {
                typed.put(at + field, at(before + field));
            }
        }
    }

    private void unfoldBath(String at, boolean first) {
        Timed timed = PrintedLine.timed(at(at + "time"));
        typed.put(at + "time", timed.time());
        boolean nothingBefore = first || isAsTheRoom(at(at + "role"));
        boolean rangeAlone = timed.at().isBlank()
                && at(at + "at").isBlank()
                && !timed.within().startsWith("±");
        put(at + "at", rangeAlone && nothingBefore ? timed.within() : timed.at(), at + "time");
        put(at + "within", rangeAlone && nothingBefore ? "" : timed.within(), at + "time");
        put(at + "rotary", timed.rotary(), at + "time");
        Watered watered = PrintedLine.watered(at(at + "water"));
        typed.put(at + "water", watered.water());
        put(at + "mixing", watered.mixing(), at + "water");
        unfoldLimits(at, at + "lasts");
        unfoldLimits(at, "lasts");
        if (at(at + "wear").isEmpty()
                && at(at + "bands").isBlank()
                && !at(at + "percent").isBlank()) {
            typed.put(at + "wear", "per-roll");
        }
    }

    /** Whether a bath is as warm as the room where nothing is printed, and not as the bath before. */
    private static boolean isAsTheRoom(String role) {
        return BathRole.standard().stream().anyMatch(each -> each.key().equals(role) && each.toleratesAnyTemperature());
    }

    private void unfoldLimits(String at, String from) {
        Lasting lasting = PrintedLine.lasting(at(from));
        put(at + "capacity", lasting.rolls(), from);
        put(at + "life", lasting.life(), from);
    }

    private void unfoldPart(String at) {
        boolean silent = at(at + "sealed").isBlank()
                && at(at + "opened").isBlank()
                && at(at + "vials").isBlank();
        boolean there = !at(at + "name").isBlank() || !at(at + "amount").isBlank();
        if (silent && there && !at("keeps").isBlank()) {
            Keeping keeping = PrintedLine.keeping(at("keeps"));
            put(at + "sealed", keeping.sealed(), "keeps");
            put(at + "opened", keeping.opened(), "keeps");
            put(at + "vials", keeping.vials(), "keeps");
        }
    }

    private void put(String field, String found, String from) {
        if (at(field).isBlank() && !found.isBlank()) {
            typed.put(field, found);
            standsAt.put(field, from);
        }
    }

    private String at(String field) {
        return typed.getOrDefault(field, "");
    }

    /** The field into which somebody typed what stands in a field. */
    public String typedInto(String field) {
        return standsAt.getOrDefault(field, field);
    }
}

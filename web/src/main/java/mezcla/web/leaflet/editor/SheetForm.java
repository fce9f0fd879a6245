package mezcla.web.leaflet.editor;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedBands;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.SheetLines;
import mezcla.leaflet.Unit;
import mezcla.measure.ProcessingTime;
import mezcla.web.words.Figures;

/**
 * A sheet as it was typed, by the names of its fields: {@code part0-name}, {@code bath1-time}, {@code bath1-add0-amount}.
 *
 * @param typed what was typed
 */
public record SheetForm(Map<String, String> typed) {
    /** The key of a role or process that the house names itself. */
    static final String OTHER = "other";

    private static final int FIRST_PARTS = 4;
    private static final int FIRST_BATHS = 3;
    private static final int FIRST_ADDITIONS = 2;
    private static final int MOST_ROWS = 20;

    /** What stands in a field; empty for nothing. */
    public String at(String field) {
        return typed.getOrDefault(field, "");
    }

    /** How many rows for parts there are. */
    public int parts() {
        return rows("parts", FIRST_PARTS);
    }

    /** How many baths there are. */
    public int baths() {
        return rows("baths", FIRST_BATHS);
    }

    /** How many rows for parts of a bath there are. */
    public int additions(int bath) {
        return rows("bath" + bath + "-adds", FIRST_ADDITIONS);
    }

    private int rows(String field, int first) {
        String text = at(field);
        return text.matches("[0-9]{1,2}") ? Math.min(MOST_ROWS, Integer.parseInt(text)) : first;
    }

    /** The same with one row more of something: {@code parts}, {@code baths} or {@code bath1-adds}. */
    SheetForm withAnother(String rows) {
        Map<String, String> more = new HashMap<>(typed);
        int now = rows.equals("parts") ? parts() : rows.equals("baths") ? baths() : rows(rows, FIRST_ADDITIONS);
        more.put(rows, Integer.toString(Math.min(MOST_ROWS, now + 1)));
        return new SheetForm(more);
    }

    /** The names of the parts that were typed so far. */
    public List<String> partNames() {
        List<String> names = new ArrayList<>();
        for (int i = 0; i < parts(); i++) {
            if (!at("part" + i + "-name").isBlank()) {
                names.add(at("part" + i + "-name").strip());
            }
        }
        return names;
    }

    /** A leaflet as it would have been typed. */
    public static SheetForm of(Leaflet leaflet) {
        Map<String, String> typed = new HashMap<>();
        typed.put("name", leaflet.name());
        typed.put("maker", leaflet.maker());
        boolean known = !FilmProcess.of(leaflet.process().key())
                .name()
                .equals(leaflet.process().key());
        typed.put("process", known ? leaflet.process().key() : OTHER);
        typed.put("processName", known ? "" : leaflet.process().name());
        typed.put("processCode", leaflet.processCode() == null ? "" : leaflet.processCode());
        typed.put("makes", ml(leaflet.makesMl()));
        typed.put("parts", Integer.toString(leaflet.parts().size()));
        for (int i = 0; i < leaflet.parts().size(); i++) {
            part(typed, "part" + i + "-", leaflet.parts().get(i));
        }
        typed.put("baths", Integer.toString(leaflet.baths().size()));
        for (int i = 0; i < leaflet.baths().size(); i++) {
            bath(typed, "bath" + i + "-", leaflet, leaflet.baths().get(i));
        }
        typed.put("steps", SheetLines.steps(leaflet));
        typed.put("examples", SheetLines.examples(leaflet));
        return new SheetForm(typed);
    }

    private static void part(Map<String, String> typed, String at, Part part) {
        typed.put(at + "key", part.key());
        typed.put(at + "name", part.name());
        typed.put(at + "unit", part.unit().name());
        typed.put(at + "amount", amount(part.amount(), part.unit()));
        if (part.airSensitive()) {
            typed.put(at + "air", "true");
        }
        typed.put(at + "sealed", number(part.unopenedDays()));
        typed.put(at + "opened", number(part.openedDays()));
        Double share = part.valueShare();
        typed.put(at + "share", share == null ? "" : Figures.plain(share * 100, 2));
    }

    private static void bath(Map<String, String> typed, String at, Leaflet leaflet, Bath bath) {
        boolean named = bath.role().nature() == BathRole.Nature.OTHER;
        typed.put(at + "key", bath.key());
        typed.put(at + "role", named ? OTHER : bath.role().key());
        typed.put(at + "roleName", named ? bath.role().name() : "");
        typed.put(at + "letters", named ? bath.role().letters() : "");
        Recipe recipe = bath.recipe();
        typed.put(at + "mode", recipe.mode().name());
        typed.put(at + "makes", ml(recipe.finalMl()));
        typed.put(at + "water", recipe.startWaterMl() > 0 ? ml(recipe.startWaterMl()) : "");
        Recipe.MixingTemperature mixing = recipe.mixingC();
        if (mixing != null) {
            typed.put(at + "mixLeast", celsius(mixing.min()));
            typed.put(at + "mixBest", celsius(mixing.target()));
            typed.put(at + "mixMost", celsius(mixing.max()));
        }
        typed.put(at + "adds", Integer.toString(Math.max(1, recipe.additions().size())));
        for (int i = 0; i < recipe.additions().size(); i++) {
            addition(typed, at + "add" + i + "-", leaflet, recipe.additions().get(i));
        }
        timing(typed, at, bath);
        typed.put(at + "capacityFor", ml(bath.capacityForMl()));
        typed.put(at + "capacity", bath.capacity() == null ? "" : SheetLines.range(bath.capacity()));
        typed.put(at + "life", bath.lifeDays() == null ? "" : SheetLines.range(bath.lifeDays()));
        typed.put(at + "oneShot", bath.oneShot() == null ? "" : SheetLines.dilution(bath.oneShot()));
    }

    private static void addition(Map<String, String> typed, String at, Leaflet leaflet, Addition addition) {
        typed.put(at + "part", leaflet.part(addition.part()).name());
        typed.put(at + "amount", amount(addition.amount(), addition.unit()));
        typed.put(at + "care", addition.care().name());
        Integer wait = addition.waitMinutes();
        typed.put(at + "wait", wait == null ? "" : wait.toString());
        typed.put(at + "note", addition.note() == null ? "" : addition.note());
    }

    private static void timing(Map<String, String> typed, String at, Bath bath) {
        typed.put(at + "time", time(bath.timing().baseSeconds()));
        Double rotary = bath.rotarySeconds();
        typed.put(at + "rotary", rotary == null ? "" : time(rotary));
        typed.put(at + "at", celsius(bath.timing().atC()));
        typed.put(at + "within", SheetLines.tolerance(bath.timing()));
        if (bath.timing().exhaustion() instanceof Exhaustion.PerRoll perRoll) {
            typed.put(at + "wear", "per-roll");
            typed.put(at + "percent", number(perRoll.percent()));
        } else if (bath.timing().exhaustion() instanceof Exhaustion.Steps steps) {
            typed.put(at + "wear", "steps");
            typed.put(at + "bands", SheetLines.bands(PrintedBands.of(steps)));
        } else {
            typed.put(at + "wear", "fixed");
        }
        typed.put(at + "push", SheetLines.pushes(bath.timing().push()));
        typed.put(at + "table", SheetLines.temperatureTable(bath.timing().temperatureTable()));
    }

    private static String time(double seconds) {
        return new ProcessingTime((int) Math.round(seconds)).toString();
    }

    private static String ml(double ml) {
        return exact(ml) + " ml";
    }

    private static String amount(double amount, Unit unit) {
        return exact(amount) + " " + unit.symbol();
    }

    private static String celsius(double celsius) {
        return exact(celsius) + " °C";
    }

    private static String number(@org.jspecify.annotations.Nullable Double number) {
        return number == null ? "" : exact(number);
    }

    /** All its digits, but never three behind the point, which could be read as thousands. */
    private static String exact(double value) {
        return java.math.BigDecimal.valueOf(value)
                .setScale(2, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}

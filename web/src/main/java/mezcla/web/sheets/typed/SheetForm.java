package mezcla.web.sheets.typed;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedBands;
import mezcla.leaflet.PrintedMovement;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.SheetLines;
import mezcla.leaflet.StepClock;
import mezcla.leaflet.Unit;
import mezcla.measure.ProcessingTime;
import mezcla.web.sheets.Leaflets;
import mezcla.web.sheets.lines.BathRows;
import mezcla.web.sheets.lines.UnfoldedSheet;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/**
 * A sheet as it was typed, by the names of its fields: {@code part0-name}, {@code bath1-time}, {@code
 * bath1-add0-amount}. What goes into a bath names its part by the number of the part's row.
 *
 * @param typed what was typed
 */
public record SheetForm(Map<String, String> typed) {
    /** The key of a role or process that the house names itself. */
    public static final String OTHER = "other";

    /** How many characters a field takes at most. */
    public static final int MOST_CHARACTERS = 2000;

    private static final int MOST_ROWS = 20;
    private static final Pattern BATHS = Pattern.compile("(bath|put-[a-z-]{3,20}|(?:earlier|without)-[0-9]{1,2})");
    private static final Pattern BY_THE_SHAPE =
            Pattern.compile("units|parts|baths|moves|process|from|.*-(key|role|mode|adds|part|name|care)");
    private static final Pattern FIELD = Pattern.compile(
            "units|from|name|maker|process|processName|processCode|makes|clock|lasts|keeps"
                    + "|steps|examples|parts|baths|part[0-9]{1,2}-(key|name|amount|sealed|opened|vials|share|air)"
                    + "|bath[0-9]{1,2}-(key|role|roleName|letters|mode|makes|water|mixing|adds|time|rotary|at|within|wear|percent|bands"
                    + "|push|table|moved|lasts|capacity|capacityFor|life|oneShot|add[0-9]{1,2}-(part|amount|care|wait|note|waterAfter))");

    /** What stands in a field; empty for nothing. */
    public String at(String field) {
        return typed.getOrDefault(field, "");
    }

    /** Whether a sheet has a field of that name. */
    public static boolean isField(String name) {
        return FIELD.matcher(name).matches();
    }

    /** In what bare numbers of it are, whoever reads it. */
    public Units units() {
        return at("units").equals(Units.US.name()) ? Units.US : Units.METRIC;
    }

    /** How many rows for parts there are. */
    public int parts() {
        return rows("parts");
    }

    /** How many rows for baths there are. */
    public int baths() {
        return rows("baths");
    }

    /** How many rows for parts of a bath there are. */
    public int additions(int bath) {
        return rows("bath" + bath + "-adds");
    }

    private int rows(String field) {
        String text = at(field);
        return text.matches("[0-9]{1,2}") ? Math.min(MOST_ROWS, Integer.parseInt(text)) : 0;
    }

    /** How often a bath was put in, moved or taken out: rows of two pages with another figure are not the same. */
    public String moves() {
        return at(BathRows.MOVES).isEmpty() ? "0" : at(BathRows.MOVES);
    }

    /** The rows of baths that are one. */
    public List<Integer> bathRows() {
        return IntStream.range(0, baths())
                .filter(i -> !at("bath" + i + "-role").isEmpty())
                .boxed()
                .toList();
    }

    /** The same with each figure in its own field, and where it was typed. */
    public UnfoldedSheet unfolded() {
        return UnfoldedSheet.of(typed, bathRows(), parts());
    }

    /** The rows of parts that go into a bath and into none before it. */
    public List<Integer> partRows(int bath) {
        return IntStream.range(0, parts())
                .filter(part ->
                        goesInto(part, bath) && IntStream.range(0, bath).noneMatch(before -> goesInto(part, before)))
                .boxed()
                .toList();
    }

    /** The rows of parts that go into no bath. */
    public List<Integer> partRowsOfNone() {
        return IntStream.range(0, parts())
                .filter(part -> bathRows().stream().noneMatch(bath -> goesInto(part, bath)))
                .boxed()
                .toList();
    }

    private boolean goesInto(int part, int bath) {
        return !at("bath" + bath + "-role").isEmpty()
                && IntStream.range(0, additions(bath)).anyMatch(row -> at("bath" + bath + "-add" + row + "-part")
                        .equals(Integer.toString(part)));
    }

    /** The fields that somebody filled in, without those that a shape fills in by itself. */
    public List<String> filledIn() {
        return typed.entrySet().stream()
                .filter(each -> !each.getValue().isBlank()
                        && !BY_THE_SHAPE.matcher(each.getKey()).matches())
                .map(Map.Entry::getKey)
                .toList();
    }

    /** Whether anything was typed about how long a part keeps. */
    public boolean saysHowPartsKeep() {
        return typed.entrySet().stream()
                .anyMatch(each -> !each.getValue().isBlank()
                        && each.getKey().matches("keeps|part[0-9]+-(sealed|opened|vials|share|air)"));
    }

    /** The name of a part's row; what it is counted as where nobody named it yet. */
    public String partName(int part) {
        String name = at("part" + part + "-name").strip();
        return name.isEmpty() ? "part " + (part + 1) : name;
    }

    /** What a bath is called; its place where nobody said what it is. */
    public String bathName(int bath) {
        String role = at("bath" + bath + "-role");
        if (role.equals(OTHER)) {
            String name = at("bath" + bath + "-roleName").strip();
            return name.isEmpty() ? "Bath " + (bath + 1) : name;
        }
        return BathRole.standard().stream()
                .filter(each -> each.key().equals(role))
                .map(BathRole::name)
                .findFirst()
                .orElse("Bath " + (bath + 1));
    }

    /** A bath's two letters. */
    public String letters(int bath) {
        String role = at("bath" + bath + "-role");
        return role.equals(OTHER)
                ? at("bath" + bath + "-letters").strip()
                : BathRole.standard().stream()
                        .filter(each -> each.key().equals(role))
                        .map(BathRole::letters)
                        .findFirst()
                        .orElse("");
    }

    /** The same with what was typed since; fields that no sheet has are left out. */
    public SheetForm with(Map<String, String> since) {
        Map<String, String> all = new HashMap<>(typed);
        since.forEach((field, text) -> {
            if (isField(field)) {
                all.put(field, text.length() > MOST_CHARACTERS ? text.substring(0, MOST_CHARACTERS) : text);
            }
        });
        return new SheetForm(all);
    }

    /**
     * The same with one row more, less or elsewhere.
     *
     * @param what {@code bath} for a bath at the end, {@code put-stop} for one of that role where it usually stands; {@code
     *     earlier-2} and {@code without-2} for a bath that is moved or taken out; {@code part-2} for one
     *     more part of that bath, or {@code adds-2} for one more thing that goes into it; anything else changes nothing
     */
    public SheetForm withAnother(String what) {
        if (BATHS.matcher(what).matches()) {
            return new SheetForm(withBaths(what));
        }
        Map<String, String> more = new HashMap<>(typed);
        if (what.matches("part-[0-9]{1,2}") && parts() < MOST_ROWS) {
            int bath = Integer.parseInt(what.substring(5));
            more.put("parts", Integer.toString(parts() + 1));
            addRow(more, bath, Integer.toString(parts()));
        } else if (what.matches("adds-[0-9]{1,2}")) {
            addRow(more, Integer.parseInt(what.substring(5)), "");
        }
        return new SheetForm(more);
    }

    private Map<String, String> withBaths(String what) {
        String last = what.substring(what.indexOf('-') + 1);
        if (what.startsWith("earlier-")) {
            return BathRows.withEarlier(typed, Integer.parseInt(last));
        }
        if (what.startsWith("without-")) {
            return BathRows.without(typed, Integer.parseInt(last));
        }
        return baths() >= MOST_ROWS || parts() >= MOST_ROWS
                ? typed
                : what.equals("bath") ? BathRows.withAnother(typed) : BathRows.withUsual(typed, last);
    }

    private void addRow(Map<String, String> more, int bath, String part) {
        int row = additions(bath);
        if (bath < baths() && row < MOST_ROWS) {
            more.put("bath" + bath + "-adds", Integer.toString(row + 1));
            more.put("bath" + bath + "-add" + row + "-part", part);
        }
    }

    /** A leaflet as it would have been typed in metric units. */
    public static SheetForm of(Leaflet leaflet) {
        Map<String, String> typed = new HashMap<>();
        typed.put("units", Units.METRIC.name());
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
        StepClock clock = leaflet.clock();
        typed.put("clock", clock == null ? "" : clock.name());
        typed.put("steps", SheetLines.steps(leaflet));
        typed.put("examples", SheetLines.examples(leaflet));
        return new SheetForm(typed);
    }

    private static void part(Map<String, String> typed, String at, Part part) {
        typed.put(at + "key", part.key());
        typed.put(at + "name", part.name());
        typed.put(at + "amount", amount(part.amount(), part.unit()));
        typed.put(at + "air", part.airSensitive() ? "true" : "");
        typed.put(at + "sealed", days(part.unopenedDays()));
        typed.put(at + "opened", days(part.openedDays()));
        typed.put(at + "vials", days(part.inVialsDays()));
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
        Double mostWater = recipe.mostStartWaterMl();
        typed.put(at + "water", ml(recipe.startWaterMl()) + (mostWater == null ? "" : " to " + ml(mostWater)));
        MixingTemperature mixing = recipe.mixingC();
        typed.put(at + "mixing", mixing == null ? "" : mixing.toString());
        typed.put(at + "adds", Integer.toString(recipe.additions().size()));
        for (int i = 0; i < recipe.additions().size(); i++) {
            addition(typed, at + "add" + i + "-", leaflet, recipe.additions().get(i));
        }
        timing(typed, at, bath);
        typed.put(at + "capacityFor", ml(bath.capacityForMl()));
        typed.put(at + "capacity", bath.capacity() == null ? "" : SheetLines.range(bath.capacity()));
        typed.put(at + "life", bath.lifeDays() == null ? "" : SheetLines.range(bath.lifeDays()) + " days");
        typed.put(at + "oneShot", bath.oneShot() == null ? "" : SheetLines.dilution(bath.oneShot()));
    }

    private static void addition(Map<String, String> typed, String at, Leaflet leaflet, Addition addition) {
        typed.put(at + "part", Integer.toString(leaflet.parts().indexOf(leaflet.part(addition.part()))));
        typed.put(at + "amount", amount(addition.amount(), addition.unit()));
        typed.put(at + "care", addition.care().name());
        Integer wait = addition.waitMinutes();
        typed.put(at + "wait", wait == null ? "" : wait + " min");
        typed.put(at + "note", addition.note() == null ? "" : addition.note());
        typed.put(at + "waterAfter", addition.waterAfterMl() > 0 ? ml(addition.waterAfterMl()) : "");
    }

    private static void timing(Map<String, String> typed, String at, Bath bath) {
        typed.put(at + "time", bath.timing().printed().toString());
        Double rotary = bath.rotarySeconds();
        typed.put(at + "rotary", rotary == null ? "" : new ProcessingTime((int) Math.round(rotary)).toString());
        boolean range = SheetLines.isPrintedRange(bath.timing());
        String within = bath.timing().printsTolerance() ? SheetLines.tolerance(bath.timing()) : "";
        typed.put(at + "at", range ? within : exact(bath.timing().atC()) + " °C");
        typed.put(at + "within", range ? "" : within);
        bath.timing()
                .exhaustion()
                .tell(
                        () -> {},
                        percent -> {
                            typed.put(at + "wear", "per-roll");
                            typed.put(at + "percent", exact(percent) + " %");
                        },
                        steps -> {
                            typed.put(at + "wear", "steps");
                            typed.put(at + "bands", SheetLines.bands(PrintedBands.of(steps)));
                        });
        typed.put(at + "push", SheetLines.pushes(bath.timing().push()));
        typed.put(at + "table", SheetLines.temperatureTable(bath.timing().temperatureTable()));
        PrintedMovement movement = bath.movement();
        typed.put(at + "moved", movement == null ? "" : movement.toString());
    }

    private static String ml(double ml) {
        return exact(ml) + " ml";
    }

    private static String amount(double amount, Unit unit) {
        return unit == Unit.SACHET ? Figures.amount(amount, unit) : exact(amount) + " " + unit.symbol();
    }

    private static String days(@Nullable Double days) {
        return days == null ? "" : exact(days) + " days";
    }

    /** All its digits, but never three behind the point, which could be read as thousands. */
    private static String exact(double value) {
        return java.math.BigDecimal.valueOf(value)
                .setScale(2, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    /** A version as it was typed; as it would have been, where it came from a file. */
    public static SheetForm asTyped(Leaflets leaflets, long version) {
        Map<String, String> typed = leaflets.typed(version);
        return typed.isEmpty() ? of(leaflets.version(version)) : new SheetForm(typed);
    }

    /** The names of the parts that were typed so far. */
    public List<String> partNames() {
        List<String> names = new ArrayList<>();
        for (int i = 0; i < parts(); i++) {
            names.add(partName(i));
        }
        return names;
    }
}

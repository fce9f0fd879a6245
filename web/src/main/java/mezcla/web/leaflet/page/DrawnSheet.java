package mezcla.web.leaflet.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.PrintedAmount;
import mezcla.leaflet.PrintedTemperature;
import mezcla.leaflet.PrintedTime;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.SheetLines;
import mezcla.leaflet.Unit;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.sheets.typed.SheetForm;
import mezcla.web.sheets.typed.SheetReading;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/**
 * A leaflet as one drawn page, which fills while it is typed: the box at the top, a row for each bath, the steps as a
 * strip at the foot. What was typed is shown as it was typed, with the reader's unit beside it.
 *
 * @param title the name of the kit; empty while nobody typed it
 * @param under its maker and process
 * @param makes how much it makes; empty while nobody typed it
 * @param box its bottles and sachets
 * @param rows its baths, in the order of use
 * @param strip what happens to the film
 * @param steps what happens to the film, a line each, as it is printed
 * @param clock when the clock of a step starts, in words; empty where it does not say
 */
public record DrawnSheet(
        String title,
        String under,
        String makes,
        List<Vessel> box,
        List<Row> rows,
        List<Segment> strip,
        List<String> steps,
        String clock) {
    private static final double JUG_BOTTOM = 66;
    private static final double JUG_FULL = 54;
    private static final double STRIP_WIDTH = 540;
    private static final double LEAST_SEGMENT = 58;
    private static final double GAP = 5;
    private static final double UNKNOWN_SECONDS = 90;

    /**
     * Something in the box.
     *
     * @param name what is printed on it
     * @param amount how much it holds; empty while nobody typed it
     * @param sachet whether it is drawn as a sachet
     * @param lasts how long it lasts; empty where nothing is printed
     */
    public record Vessel(String name, String amount, boolean sachet, String lasts) {}

    /**
     * A bath.
     *
     * @param number the row in which it was typed
     * @param letters its two letters
     * @param name what it is called
     * @param layers what goes into its jug, from the bottom up
     * @param time its time in large figures; empty while nobody typed it
     * @param facts what else is printed, a line each
     */
    public record Row(int number, String letters, String name, List<Layer> layers, String time, List<String> facts) {}

    /**
     * What goes into a jug.
     *
     * @param y its top
     * @param height how tall
     * @param part whether it is a part, and not water
     */
    public record Layer(double y, double height, boolean part) {}

    /**
     * A step of the strip.
     *
     * @param x where it begins
     * @param width how long it is drawn
     * @param letters the bath's letters; empty for water
     * @param label what is written in it
     * @param known whether its time is known
     */
    public record Segment(double x, double width, String letters, String label, boolean known) {}

    /** Draws a sheet as far as it can be read. */
    public static DrawnSheet of(SheetReading reading) {
        SheetForm form = reading.unfolded();
        List<Row> rows =
                form.bathRows().stream().map(bath -> row(form, reading, bath)).toList();
        return new DrawnSheet(
                form.at("name").strip(),
                under(form),
                volume(form, "makes"),
                IntStream.range(0, form.parts())
                        .filter(part -> !form.at("part" + part + "-name").isBlank()
                                || !form.at("part" + part + "-amount").isBlank())
                        .mapToObj(part -> vessel(form, part))
                        .toList(),
                rows,
                strip(form, reading),
                form.at("steps")
                        .lines()
                        .map(String::strip)
                        .filter(line -> !line.isEmpty())
                        .toList(),
                switch (form.at("clock")) {
                    case "FULL" -> "The clock starts when the tank is full.";
                    case "POUR" -> "The clock starts when pouring starts.";
                    default -> "";
                });
    }

    private static String under(SheetForm form) {
        String process = form.at("process").equals(SheetForm.OTHER)
                ? form.at("processName").strip()
                : FilmProcess.of(form.at("process")).name();
        return List.of(form.at("maker").strip(), process, form.at("processCode").strip()).stream()
                .filter(words -> !words.isEmpty())
                .collect(Collectors.joining(" · "));
    }

    private static Vessel vessel(SheetForm form, int part) {
        String at = "part" + part + "-";
        boolean sachet = unit(form, at + "amount") != Unit.ML;
        List<String> lasts = new ArrayList<>();
        add(lasts, "sealed ", form.at(at + "sealed"));
        add(lasts, "open ", form.at(at + "opened"));
        add(lasts, "in vials ", form.at(at + "vials"));
        if (!form.at(at + "air").isEmpty()) {
            lasts.add("spoils in air");
        }
        return new Vessel(form.partName(part), amount(form, at + "amount"), sachet, String.join(", ", lasts));
    }

    private static void add(List<String> words, String before, String typed) {
        if (!typed.isBlank()) {
            words.add(before + typed.strip());
        }
    }

    private static Row row(SheetForm form, SheetReading reading, int bath) {
        String at = "bath" + bath + "-";
        List<String> facts = new ArrayList<>();
        facts.add(recipe(form, bath));
        String warmth = temperature(form, at + "at");
        String time = form.at(at + "time").strip();
        String within = form.at(at + "within").strip();
        String large = read(() -> PrintedTime.parse(time).toString());
        facts.add(join(
                ", ",
                warmth.isEmpty() && time.equals(large) ? "" : join(" at ", time, warmth),
                within,
                form.at(at + "rotary").isBlank()
                        ? ""
                        : "turning " + form.at(at + "rotary").strip()));
        facts.add(
                form.at(at + "wear").equals("per-roll")
                        ? form.at(at + "percent").strip().replaceFirst("\\s*%?$", " %") + " more for every roll"
                        : lines(form.at(at + "bands")));
        facts.add(labelled("Push and pull: ", lines(form.at(at + "push"))));
        facts.add(labelled("At other temperatures: ", lines(form.at(at + "table"))));
        facts.add(labelled("Moved: ", form.at(at + "moved").strip()));
        facts.add(lasts(form, at));
        return new Row(
                bath,
                form.letters(bath),
                form.bathName(bath),
                layers(reading.bath(bath)),
                large,
                facts.stream().filter(fact -> !fact.isBlank()).toList());
    }

    private static String recipe(SheetForm form, int bath) {
        String at = "bath" + bath + "-";
        List<String> goesIn = new ArrayList<>();
        String mixing = temperature(form, at + "mixing");
        boolean ready = form.at(at + "mode").equals(Recipe.Mode.READY_TO_USE.name());
        if (!form.at(at + "water").isBlank() && !ready) {
            goesIn.add(volume(form, at + "water") + " of water" + (mixing.isEmpty() ? "" : " at " + mixing));
        }
        for (int i = 0; i < form.additions(bath); i++) {
            String row = at + "add" + i + "-";
            String chosen = form.at(row + "part");
            if (chosen.matches("[0-9]{1,2}")
                    && !form.at("part" + chosen + "-name").isBlank()) {
                boolean whole = form.at(row + "amount").isBlank()
                        && form.at(at + "makes").isBlank();
                goesIn.add(join(
                                " ",
                                amount(form, whole ? "part" + chosen + "-amount" : row + "amount"),
                                form.partName(Integer.parseInt(chosen)))
                        + (form.at(row + "wait").isBlank()
                                ? ""
                                : ", wait " + form.at(row + "wait").strip()));
                if (!form.at(row + "waterAfter").isBlank()) {
                    goesIn.add(volume(form, row + "waterAfter") + " of water");
                }
            }
        }
        String makes = volume(form, at + "makes");
        String end = ready
                ? "ready to use"
                : form.at(at + "mode").equals(Recipe.Mode.FIXED_WATER.name())
                        ? labelled("makes ", makes)
                        : "up to " + (makes.isEmpty() ? volume(form, "makes") : makes);
        if (goesIn.isEmpty()) {
            return "";
        }
        return String.join(", ", goesIn) + (end.isBlank() || end.equals("up to ") ? "" : ", " + end);
    }

    private static String lasts(SheetForm form, String at) {
        String rolls = form.at(at + "capacity").strip();
        String in = volume(form, at + "capacityFor");
        return join(
                "; ",
                rolls.isEmpty()
                        ? ""
                        : (rolls.matches(".*roll.*") ? rolls : rolls + " rolls") + (in.isEmpty() ? "" : " in " + in),
                form.at(at + "life").isBlank()
                        ? ""
                        : "lasts " + withDays(form.at(at + "life").strip()),
                form.at(at + "oneShot").isBlank()
                        ? ""
                        : "poured away after each run, "
                                + form.at(at + "oneShot").strip());
    }

    private static String withDays(String life) {
        return life.matches(".*[a-zA-Z].*") ? life : life + " days";
    }

    private static List<Layer> layers(@Nullable Bath bath) {
        if (bath == null) {
            return List.of();
        }
        Recipe recipe = bath.recipe();
        double scale = JUG_FULL / Math.max(recipe.finalMl(), recipe.startWaterMl() + recipe.partsMl());
        List<Layer> layers = new ArrayList<>();
        double y = layer(layers, JUG_BOTTOM, recipe.startWaterMl() * scale, false);
        for (Addition addition : recipe.additions()) {
            y = layer(layers, y, addition.unit().roomMl(addition.amount()) * scale, true);
            y = layer(layers, y, addition.waterAfterMl() * scale, false);
        }
        if (recipe.mode() == Recipe.Mode.TOP_UP) {
            layer(layers, y, y - (JUG_BOTTOM - recipe.finalMl() * scale), false);
        }
        return layers;
    }

    private static double layer(List<Layer> layers, double below, double height, boolean part) {
        if (height <= 0) {
            return below;
        }
        layers.add(new Layer(below - height, height, part));
        return below - height;
    }

    private static List<Segment> strip(SheetForm form, SheetReading reading) {
        List<Bath> baths = form.bathRows().stream()
                .map(reading::bath)
                .filter(java.util.Objects::nonNull)
                .toList();
        List<ProcessStep> printed = baths.size() == form.bathRows().size()
                ? read(
                        List.of(),
                        () -> SheetLines.steps(
                                form.at("steps"), baths, form.units().temperature()))
                : List.of();
        List<Segment> plain = new ArrayList<>();
        if (printed.isEmpty()) {
            for (int bath : form.bathRows()) {
                Bath read = reading.bath(bath);
                plain.add(segment(
                        form.letters(bath),
                        "",
                        read == null ? null : read.timing().baseSeconds()));
            }
        } else {
            for (ProcessStep step : printed) {
                Bath bath = baths.stream()
                        .filter(each -> each.key().equals(step.bath()))
                        .findFirst()
                        .orElse(null);
                plain.add(
                        bath == null
                                ? segment("", word(step), step.seconds(), step.fills())
                                : segment(
                                        bath.role().letters(), "", bath.timing().baseSeconds()));
            }
        }
        return toScale(plain);
    }

    private static String word(ProcessStep step) {
        return switch (step.kind()) {
            case PRE_SOAK -> "soak";
            case WETTING_AGENT -> "Wa";
            default -> step.fills() == null || step.seconds() != null ? "wash" : "wash " + step.fills() + "\u00a0×";
        };
    }

    private static Segment segment(String letters, String word, @Nullable Double seconds) {
        return segment(letters, word, seconds, null);
    }

    private static Segment segment(String letters, String word, @Nullable Double seconds, @Nullable Integer fills) {
        String time = seconds == null
                ? ""
                : new PrintedTime(seconds, seconds) + (fills == null ? "" : " or " + fills + "\u00a0×");
        String name = letters.isEmpty() ? word : letters;
        return new Segment(
                0,
                seconds == null ? UNKNOWN_SECONDS : seconds,
                letters,
                (name + " " + (time.isEmpty() && !letters.isEmpty() ? "?" : time)).strip(),
                seconds != null || letters.isEmpty());
    }

    /** Steps as long as they take, each wide enough to be read. */
    private static List<Segment> toScale(List<Segment> plain) {
        double room = STRIP_WIDTH - GAP * Math.max(0, plain.size() - 1) - LEAST_SEGMENT * plain.size();
        double seconds = plain.stream().mapToDouble(Segment::width).sum();
        List<Segment> drawn = new ArrayList<>();
        double x = 0;
        for (Segment each : plain) {
            double width = LEAST_SEGMENT + (seconds > 0 ? Math.max(0, room) * each.width() / seconds : 0);
            drawn.add(new Segment(x, width, each.letters(), each.label(), each.known()));
            x += width + GAP;
        }
        return drawn;
    }

    /** How wide the strip is drawn. */
    public double stripWidth() {
        Segment last = strip.isEmpty() ? null : strip.get(strip.size() - 1);
        return last == null ? STRIP_WIDTH : Math.max(STRIP_WIDTH, last.x() + last.width());
    }

    private static String lines(String typed) {
        return typed.lines().map(String::strip).filter(line -> !line.isEmpty()).collect(Collectors.joining(" · "));
    }

    private static String labelled(String label, String words) {
        return words.isEmpty() ? "" : label + words;
    }

    private static String join(String between, String... words) {
        return java.util.Arrays.stream(words).filter(word -> !word.isBlank()).collect(Collectors.joining(between));
    }

    private static String amount(SheetForm form, String field) {
        return unit(form, field) == Unit.ML
                ? volume(form, field)
                : form.at(field).strip();
    }

    private static Unit unit(SheetForm form, String field) {
        return read(
                Unit.ML,
                () -> PrintedAmount.parse(form.at(field), form.units().volume()).unit());
    }

    /** A volume as it was typed, with its unit, and the reader's beside it where that is another. */
    private static String volume(SheetForm form, String field) {
        String typed = form.at(field).strip();
        if (typed.isEmpty()) {
            return "";
        }
        boolean bare = typed.matches("[0-9.,\\s]+");
        String shown = bare ? typed + " " + form.units().volumeName() : typed;
        boolean us = bare ? form.units() == Units.US : typed.matches("(?i).*(fl|qt|quart|gal|oz).*");
        if (us == (Units.shown() == Units.US)) {
            return shown;
        }
        String other =
                read(() -> Figures.ml(Volume.parse(typed, form.units().volume()).ml()));
        return other.isEmpty() ? shown : shown + " (" + other + ")";
    }

    private static String temperature(SheetForm form, String field) {
        String typed = form.at(field).strip();
        if (typed.isEmpty()) {
            return "";
        }
        boolean bare = typed.matches("[0-9.,\\s–-]+");
        String shown = bare ? typed + " " + form.units().temperatureName() : typed;
        boolean us = bare ? form.units() == Units.US : typed.matches("(?i).*f\\b.*");
        boolean both = typed.matches("(?i).*c\\b.*") && typed.matches("(?i).*f\\b.*");
        if (both || us == (Units.shown() == Units.US) || !typed.matches(".*[0-9].*")) {
            return shown;
        }
        String other = read(() -> {
            PrintedTemperature read =
                    PrintedTemperature.parse(typed, form.units().temperature());
            Double least = read.leastC();
            Double most = read.mostC();
            return least == null || most == null ? Figures.celsius(read.celsius()) : Figures.celsius(least, most);
        });
        return other.isEmpty() ? shown : shown + " (" + other + ")";
    }

    private static String read(Supplier<String> reading) {
        return read("", reading);
    }

    private static <T> T read(T otherwise, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (Refusal unreadable) {
            return otherwise;
        }
    }

    /** The names of its baths beside their times, for whoever cannot see the drawing. */
    public Map<String, String> times() {
        return rows.stream().collect(Collectors.toMap(Row::name, Row::time, (one, other) -> one));
    }
}

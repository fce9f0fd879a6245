package mezcla.web.sheets.told;

import java.util.List;
import java.util.Locale;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.CriticalFigure;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletCheck;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedBands;
import mezcla.leaflet.PrintedExample;
import mezcla.measure.ProcessingTime;
import mezcla.processing.ExampleCheck;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/** What is said about a sheet, in words. */
public final class SheetWords {
    private SheetWords() {}

    /** What is odd about a leaflet, or what stands in for what it leaves out. */
    public static String remark(LeafletCheck.Remark remark) {
        String bath = name(remark.bath());
        String part = remark.part() == null ? "" : remark.part().name();
        double figure = remark.figure();
        double limit = remark.limit();
        return switch (remark.code()) {
            case BATH_WITHOUT_PARTS -> bath + " is mixed of nothing: it has no parts.";
            case RECIPE_OVERSHOOTS ->
                "%s: start water and parts need %s more than the %s it makes."
                        .formatted(bath, Figures.ml(figure), Figures.ml(limit));
            case RECIPE_MAKES_OTHER_VOLUME ->
                "%s: water and parts make %s, not %s.".formatted(bath, Figures.ml(figure), Figures.ml(limit));
            case PART_TAKES_MORE ->
                "%s: all baths together take %s, and the kit has %s."
                        .formatted(part, amount(figure, remark.part()), amount(limit, remark.part()));
            case PART_LEFT_OVER ->
                "%s: all baths together leave %s of %s over."
                        .formatted(part, amount(figure, remark.part()), amount(limit, remark.part()));
            case PART_UNUSED -> part + " goes into no bath.";
            case CAPACITY_BEYOND_STEPS ->
                "%s: its capacity is %s rolls, and its last printed time ends at roll %s."
                        .formatted(bath, Figures.rolls(figure), Figures.rolls(limit));
            case STEPS_FALL ->
                "%s: the time up to roll %s is shorter than the one before.".formatted(bath, Figures.rolls(figure));
            case DEVELOPER_TOLERANCE ->
                "%s may be off by %s, which is much for a developer: look again."
                        .formatted(bath, Figures.apart(figure));
            case TABLE_RISES ->
                "%s: at %s it takes longer than when it is cooler.".formatted(bath, Figures.celsius(figure));
            case VALUE_SHARES ->
                "The parts’ shares of the kit’s value add up to %s %%, not 100."
                        .formatted(Figures.plain(figure * 100, 1));
            case OPENED_OUTLASTS_SEALED ->
                "%s lasts longer open (%s days) than sealed (%s)."
                        .formatted(part, Figures.plain(figure, 0), Figures.plain(limit, 0));
            case LONG_TIME ->
                "%s: %s is long for it. Is that seconds on the sheet?".formatted(bath, Figures.seconds(figure));
            case TEMPERATURE_ODD ->
                "%s at %s is %s than such a bath is run."
                        .formatted(bath, Figures.celsius(figure), figure < limit ? "colder" : "hotter");
            case CAPACITY_FOR_OTHER_VOLUME ->
                "%s: its rolls are printed for %s, and the recipe makes %s. Is that so on the sheet?"
                        .formatted(bath, Figures.ml(figure), Figures.ml(limit));
            case TOLERANCE_NOT_PRINTED ->
                "%s: no give or take is typed, so that the house’s own counts, ± %s °C."
                        .formatted(bath, Figures.plain(figure, 1));
            case BATH_MISSING -> "This process needs a %s, and the sheet has none.".formatted(missing(remark));
            case ROLE_OF_ANOTHER_PROCESS ->
                "%s does not belong to this process. A negative has a developer, a slide a first developer and a colour developer."
                        .formatted(bath);
            case ORDER_ODD ->
                "%s after %s: is that the order on the sheet? Other processes have it the other way round."
                        .formatted(bath, missing(remark));
            case PART_OF_ANOTHER_BATH ->
                "%s goes into the %s. Is it not for the %s?"
                        .formatted(part, bath.toLowerCase(Locale.ROOT), missing(remark));
            case SHORT_TIME ->
                "%s: %s is short for it. Is that minutes on the sheet?".formatted(bath, Figures.seconds(figure));
            case TABLE_CONTRADICTS ->
                "%s: the table says %s for the printed temperature, and the time says %s."
                        .formatted(bath, Figures.clock(figure), Figures.clock(limit));
            case LIFE_NOT_PRINTED ->
                "%s: no life is typed. Does the sheet print one? Else the house’s own counts.".formatted(bath);
            case CAPACITY_NOT_PRINTED ->
                "%s: no number of rolls is typed. Does the sheet print one? Else the house’s own counts."
                        .formatted(bath);
            case STEP_MISSING -> bath + " is not among the steps.";
        };
    }

    private static String missing(LeafletCheck.Remark remark) {
        BathRole missing = remark.missing();
        return missing == null ? "bath" : missing.name().toLowerCase(Locale.ROOT);
    }

    private static String name(@Nullable Bath bath) {
        return bath == null ? "" : bath.role().name();
    }

    private static String amount(double amount, @Nullable Part part) {
        return part == null ? "" : Figures.amount(amount, part.unit());
    }

    /**
     * A printed example beside what it comes to.
     *
     * @param words the example
     * @param computed what the rules make of it
     * @param agrees whether it is the same
     */
    public record Example(String words, String computed, boolean agrees) {}

    public static List<Example> examples(Leaflet leaflet) {
        return ExampleCheck.of(leaflet).stream()
                .map(check -> new Example(
                        example(leaflet, check.example()), check.computed().toString(), check.agrees()))
                .toList();
    }

    private static String example(Leaflet leaflet, PrintedExample example) {
        return "%s after %s, %s more: %s"
                .formatted(
                        leaflet.bath(example.bath()).role().name(),
                        Figures.countOfRolls(example.rollsBefore()),
                        Figures.rolls(example.rolls()),
                        ProcessingTime.shown(example.seconds()));
    }

    /** Bands that do not follow each other. */
    public static String seam(PrintedBands.Seam seam) {
        String to = Figures.rolls(seam.upTo());
        String from = Figures.rolls(seam.from());
        return seam.overlaps()
                ? "Two printed bands both name roll %s; the first of them counts for it.".formatted(from)
                : seam.upTo() == 0
                        ? "The printed bands begin with roll %s; what comes before is taken to be the same."
                                .formatted(from)
                        : "No printed band names the rolls between %s and %s; the later one is taken."
                                .formatted(to, from);
    }

    /** What a field of a sheet is, by the last part of its name. */
    public static String field(String last) {
        return switch (last) {
            case "name" -> "name of the kit";
            case "maker" -> "maker";
            case "process" -> "process";
            case "processCode" -> "code of the process";
            case "makes" -> "how much it makes";
            case "clock" -> "when the clock starts";
            case "steps" -> "steps";
            case "examples" -> "printed examples";
            case "water" -> "start water";
            case "mixing" -> "how warm it is mixed";
            case "time" -> "time";
            case "rotary" -> "time when turning";
            case "at" -> "temperature";
            case "within" -> "give or take";
            case "percent" -> "more for every roll";
            case "bands" -> "times by rolls";
            case "push" -> "push and pull";
            case "table" -> "other temperatures";
            case "moved" -> "movement";
            case "lasts" -> "rolls and life";
            case "keeps" -> "how long parts keep";
            case "capacity" -> "rolls";
            case "capacityFor" -> "the volume for those rolls";
            case "life" -> "how long it lasts";
            case "oneShot" -> "dilution for each run";
            case "amount" -> "amount";
            case "wait" -> "wait";
            case "waterAfter" -> "water after it";
            default -> "what it is";
        };
    }

    /** The same with a capital. */
    public static String start(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    /** What a figure is. */
    public static String figure(Leaflet leaflet, CriticalFigure figure) {
        String bath = figure.bath().isEmpty()
                ? ""
                : leaflet.bath(figure.bath()).role().name() + ": ";
        String part = figure.part().isEmpty() ? "" : leaflet.part(figure.part()).name();
        return bath
                + switch (figure.kind()) {
                    case KIT_MAKES -> "How much the kit makes";
                    case KIT_AMOUNT -> "How much " + part + " the box holds";
                    case SEALED -> part + " lasts sealed";
                    case OPENED -> part + " lasts open";
                    case IN_VIALS -> part + " lasts in vials";
                    case MAKES -> "the recipe makes";
                    case START_WATER -> "start water";
                    case MIXING -> "how warm it is mixed";
                    case AMOUNT -> "how much " + part;
                    case WAIT -> "wait after " + part;
                    case WATER_AFTER -> "water after " + part;
                    case TIME -> "time in a fresh bath";
                    case ROTARY -> "time when turning";
                    case TEMPERATURE -> "temperature";
                    case TOLERANCE -> "give or take";
                    case PER_ROLL -> "more for every roll, %";
                    case BANDS -> "times by rolls, a line each";
                    case PUSH -> "push and pull, a line each";
                    case TABLE -> "other temperatures, a line each";
                    case MOVEMENT -> "how the tank is moved";
                    case ROLLS -> "rolls";
                    case ROLLS_IN -> "in how much";
                    case DAYS -> "how long it lasts";
                    case DILUTION -> "dilution for each run";
                    case STEPS -> "What happens to the film, a line each";
                    case EXAMPLES -> "Printed examples, a line each";
                };
    }

    /** Whether a figure is typed in several lines. */
    public static boolean isLines(CriticalFigure figure) {
        return switch (figure.kind()) {
            case BANDS, PUSH, TABLE, STEPS, EXAMPLES -> true;
            default -> false;
        };
    }
}

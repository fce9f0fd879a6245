package mezcla.web.leaflet.editor;

import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.CriticalFigure;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletCheck;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedExample;
import mezcla.measure.ProcessingTime;
import mezcla.processing.ExampleCheck;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/** What is said about a sheet, in words. */
final class SheetWords {
    private SheetWords() {}

    /**
     * What is odd about a leaflet.
     *
     * @param whole whether all of it is there; what is about the kit as a whole is not said before
     */
    static List<String> remarks(Leaflet leaflet, boolean whole) {
        return LeafletCheck.of(leaflet).stream()
                .filter(remark -> whole || remark.bath() != null)
                .map(SheetWords::remark)
                .toList();
    }

    private static String remark(LeafletCheck.Remark remark) {
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
                "%s may be off by %s K, which is much for a developer: look again."
                        .formatted(bath, Figures.plain(figure, 1));
            case TABLE_RISES ->
                "%s: at %s it takes longer than when it is cooler.".formatted(bath, Figures.celsius(figure));
            case VALUE_SHARES ->
                "The parts’ shares of the kit’s value add up to %s %%, not 100."
                        .formatted(Figures.plain(figure * 100, 1));
            case OPENED_OUTLASTS_SEALED ->
                "%s lasts longer open (%s days) than sealed (%s)."
                        .formatted(part, Figures.plain(figure, 0), Figures.plain(limit, 0));
            case ROLE_OF_ANOTHER_PROCESS ->
                "%s does not belong to this process. A negative has a developer, a slide a first developer and a colour developer."
                        .formatted(bath);
            case SHORT_TIME ->
                "%s: %s is short for it. Is that minutes on the sheet?".formatted(bath, Figures.seconds(figure));
            case TABLE_CONTRADICTS ->
                "%s: the table says %s for the printed temperature, and the time says %s."
                        .formatted(bath, Figures.clock(figure), Figures.clock(limit));
            case LIFE_NOT_PRINTED ->
                "%s: no life is typed. Look whether the sheet prints one; until then the house’s own counts."
                        .formatted(bath);
            case CAPACITY_NOT_PRINTED ->
                "%s: no capacity is typed. Look whether the sheet prints one; until then the house’s own counts."
                        .formatted(bath);
            case STEP_MISSING -> bath + " is not among the steps.";
        };
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

    static List<Example> examples(Leaflet leaflet) {
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

    /** What a critical figure is. */
    static String figure(Leaflet leaflet, CriticalFigure figure) {
        String bath = figure.bath().isEmpty()
                ? ""
                : leaflet.bath(figure.bath()).role().name();
        String part = figure.part().isEmpty() ? "" : leaflet.part(figure.part()).name();
        return switch (figure.kind()) {
            case KIT_AMOUNT -> "The kit’s " + part;
            case MAKES -> bath + ": the recipe makes";
            case START_WATER -> bath + ": start water";
            case AMOUNT -> bath + ": " + part;
            case TIME -> bath + ": time in a fresh bath";
            case TEMPERATURE -> bath + ": temperature";
            case MOST_ROLLS -> bath + ": rolls at most";
            case MOST_DAYS -> bath + ": days at most";
        };
    }

    /** A critical figure, as it is shown. */
    static String value(Leaflet leaflet, CriticalFigure figure, double value) {
        return switch (figure.kind()) {
            case KIT_AMOUNT, AMOUNT ->
                Figures.amount(value, leaflet.part(figure.part()).unit());
            case MAKES, START_WATER -> Figures.ml(value);
            case TIME -> ProcessingTime.shown(value).toString();
            case TEMPERATURE -> Figures.celsius(value);
            case MOST_ROLLS -> Figures.countOfRolls(value);
            case MOST_DAYS -> Figures.countOfDays(value);
        };
    }
}

package mezcla.leaflet;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import org.jspecify.annotations.Nullable;

/**
 * A figure of a sheet. A second member types all of them again without seeing them (rules, section 1), so that a slip of
 * the first does not spoil film for months.
 *
 * @param bath the bath's key; empty for what is about the kit
 * @param part the part's key; empty for what is about no part
 * @param number its place, where there are several of a kind: a step, an example; 0 elsewhere
 * @param kind what it is
 * @param typed what it is
 */
public record CriticalFigure(String bath, String part, int number, Kind kind, Typed typed) {
    private static final double SAME = 0.005;

    /** What a figure is, and how it is typed. */
    public enum Kind {
        /** How much the kit makes of each bath, in ml. */
        KIT_MAKES,
        /** How much of a part the kit has, in its unit. */
        KIT_AMOUNT,
        /** How long a part lasts sealed, in days. */
        SEALED,
        /** How long it lasts open, in days. */
        OPENED,
        /** How long it lasts in vials, in days. */
        IN_VIALS,
        /** The volume that a recipe makes, in ml. */
        MAKES,
        /** The start water, in ml. */
        START_WATER,
        /** How warm it is mixed, in °C. */
        MIXING,
        /** How much of a part goes in, in its unit. */
        AMOUNT,
        /** The wait after a part, in minutes. */
        WAIT,
        /** The water that follows a part, in ml. */
        WATER_AFTER,
        /** The time in a fresh bath, in seconds. */
        TIME,
        /** The time on a rotary base, in seconds. */
        ROTARY,
        /** The temperature of the bath, in °C. */
        TEMPERATURE,
        /** Its tolerance, from and to, in °C. */
        TOLERANCE,
        /** More for every roll done, in percent. */
        PER_ROLL,
        /** The list of times by rolls: last roll and seconds of each line. */
        BANDS,
        /** Factors for push and pull: stops, factor and wear of each line. */
        PUSH,
        /** Times at other temperatures: °C and seconds of each line. */
        TABLE,
        /** How the tank is moved: seconds at first, how often, how long, how many turns. */
        MOVEMENT,
        /** Rolls that it takes. */
        ROLLS,
        /** The volume that those are printed for, in ml. */
        ROLLS_IN,
        /** Days that it lasts. */
        DAYS,
        /** The dilution for each run, in parts. */
        DILUTION,
        /** The steps: seconds, longest, fills and °C of each line. */
        STEPS,
        /** Printed examples: rolls before, rolls and seconds of each line. */
        EXAMPLES
    }

    /**
     * What a figure is.
     *
     * @param values the figure, or the figures of a range or a list, in the units of its kind
     * @param words what cannot be said by figures: which steps there are, whether a tank is moved; empty for the rest
     */
    public record Typed(List<Double> values, String words) {
        /** Keeps its own list. */
        public Typed {
            values = List.copyOf(values);
        }

        private Typed(List<Double> values) {
            this(values, "");
        }

        /** Whether it says the same; a conversion may have rounded it. */
        private boolean agrees(Typed other) {
            if (other.values.size() != values.size() || !other.words.equals(words)) {
                return false;
            }
            for (int i = 0; i < values.size(); i++) {
                double value = values.get(i);
                if (Math.abs(other.values.get(i) - value) > SAME * Math.abs(value) + 1e-9) {
                    return false;
                }
            }
            return true;
        }
    }

    /** Every figure of a leaflet, in the order of the sheet. */
    public static List<CriticalFigure> of(Leaflet leaflet) {
        Listing listing = new Listing();
        listing.add("", "", Kind.KIT_MAKES, leaflet.makesMl());
        for (Part part : leaflet.parts()) {
            listing.add("", part.key(), Kind.KIT_AMOUNT, part.amount());
            listing.addIfPrinted("", part.key(), Kind.SEALED, part.unopenedDays());
            listing.addIfPrinted("", part.key(), Kind.OPENED, part.openedDays());
            listing.addIfPrinted("", part.key(), Kind.IN_VIALS, part.inVialsDays());
        }
        for (Bath bath : leaflet.baths()) {
            listing.mixing(bath);
            listing.times(bath);
            listing.limits(bath);
        }
        listing.add("", "", Kind.STEPS, stepFigures(leaflet.steps()));
        listing.addAll("", "", Kind.EXAMPLES, exampleFigures(leaflet.examples()));
        return List.copyOf(listing.figures);
    }

    private static final class Listing {
        private final List<CriticalFigure> figures = new ArrayList<>();

        private void mixing(Bath bath) {
            Recipe recipe = bath.recipe();
            String key = bath.key();
            add(key, "", Kind.MAKES, recipe.finalMl());
            if (recipe.startWaterMl() > 0) {
                Double most = recipe.mostStartWaterMl();
                addAll(
                        key,
                        "",
                        Kind.START_WATER,
                        most == null ? List.of(recipe.startWaterMl()) : List.of(recipe.startWaterMl(), most));
            }
            MixingTemperature mixing = recipe.mixingC();
            if (mixing != null) {
                addAll(key, "", Kind.MIXING, mixingFigures(mixing));
            }
            for (int i = 0; i < recipe.additions().size(); i++) {
                Addition addition = recipe.additions().get(i);
                add(key, addition.part(), i, Kind.AMOUNT, addition.amount());
                Integer wait = addition.waitMinutes();
                if (wait != null) {
                    add(key, addition.part(), i, Kind.WAIT, wait);
                }
                if (addition.waterAfterMl() > 0) {
                    add(key, addition.part(), i, Kind.WATER_AFTER, addition.waterAfterMl());
                }
            }
        }

        private void times(Bath bath) {
            Timing timing = bath.timing();
            String key = bath.key();
            addAll(key, "", Kind.TIME, timeFigures(timing.printed()));
            addIfPrinted(key, "", Kind.ROTARY, bath.rotarySeconds());
            add(key, "", Kind.TEMPERATURE, timing.atC());
            if (timing.printsTolerance()) {
                addAll(key, "", Kind.TOLERANCE, List.of(timing.leastC(), timing.mostC()));
            }
            timing.exhaustion()
                    .tell(
                            () -> {},
                            percent -> add(key, "", Kind.PER_ROLL, percent),
                            steps -> addAll(key, "", Kind.BANDS, bandFigures(steps)));
            addAll(key, "", Kind.PUSH, pushFigures(timing.push()));
            addAll(key, "", Kind.TABLE, tableFigures(timing.temperatureTable()));
            PrintedMovement movement = bath.movement();
            if (movement != null) {
                add(key, "", Kind.MOVEMENT, movementFigures(movement));
            }
        }

        private void limits(Bath bath) {
            Range capacity = bath.capacity();
            if (capacity != null) {
                addAll(bath.key(), "", Kind.ROLLS, rangeFigures(capacity));
                add(bath.key(), "", Kind.ROLLS_IN, bath.capacityForMl());
            }
            Range life = bath.lifeDays();
            if (life != null) {
                addAll(bath.key(), "", Kind.DAYS, rangeFigures(life));
            }
            Bath.OneShot oneShot = bath.oneShot();
            if (oneShot != null) {
                addAll(bath.key(), "", Kind.DILUTION, List.of(oneShot.stockParts(), oneShot.waterParts()));
            }
        }

        private void add(String bath, String part, Kind kind, double value) {
            add(bath, part, 0, kind, value);
        }

        private void add(String bath, String part, int number, Kind kind, double value) {
            figures.add(new CriticalFigure(bath, part, number, kind, new Typed(List.of(value))));
        }

        private void addAll(String bath, String part, Kind kind, List<Double> values) {
            add(bath, part, kind, new Typed(values));
        }

        private void add(String bath, String part, Kind kind, Typed typed) {
            if (!typed.values().isEmpty()) {
                figures.add(new CriticalFigure(bath, part, 0, kind, typed));
            }
        }

        private void addIfPrinted(String bath, String part, Kind kind, @Nullable Double value) {
            if (value != null) {
                add(bath, part, kind, value);
            }
        }
    }

    private static List<Double> rangeFigures(Range range) {
        return List.of(range.min(), range.max());
    }

    private static List<Double> timeFigures(PrintedTime time) {
        return List.of(time.seconds(), Double.isInfinite(time.mostSeconds()) ? 0 : time.mostSeconds());
    }

    private static List<Double> waterFigures(SheetLines.StartWater water) {
        return water.mostMl() > water.leastMl() ? List.of(water.leastMl(), water.mostMl()) : List.of(water.leastMl());
    }

    private static List<Double> mixingFigures(MixingTemperature mixing) {
        return List.of(orZero(mixing.min()), mixing.target(), orZero(mixing.max()));
    }

    private static Typed movementFigures(PrintedMovement movement) {
        return new Typed(
                List.of(movement.initialSeconds(), movement.everySeconds(), movement.forSeconds(), (double)
                        movement.turns()),
                movement.kind().name());
    }

    private static List<Double> bandFigures(List<Exhaustion.Step> steps) {
        return steps.stream()
                .flatMap(step -> DoubleStream.of(step.upTo(), step.seconds()).boxed())
                .toList();
    }

    private static List<Double> pushFigures(List<Timing.Push> push) {
        return push.stream()
                .flatMap(each -> DoubleStream.of(each.stops(), each.factor(), each.wearWeight())
                        .boxed())
                .toList();
    }

    private static List<Double> tableFigures(List<Timing.TimeAt> table) {
        return table.stream()
                .flatMap(each -> DoubleStream.of(each.c(), each.seconds()).boxed())
                .toList();
    }

    private static Typed stepFigures(List<ProcessStep> steps) {
        return new Typed(
                steps.stream()
                        .flatMap(step -> DoubleStream.of(
                                        orZero(step.seconds()),
                                        step.mostSeconds() == null
                                                        || step.mostSeconds().isInfinite()
                                                ? 0
                                                : step.mostSeconds(),
                                        step.fills() == null ? 0 : step.fills(),
                                        orZero(step.leastC() == null ? step.atC() : step.leastC()),
                                        orZero(step.mostC()))
                                .boxed())
                        .toList(),
                steps.stream()
                        .map(step -> step.kind().name() + (step.bath() == null ? "" : " " + step.bath()))
                        .collect(Collectors.joining(", ")));
    }

    private static List<Double> exampleFigures(List<PrintedExample> examples) {
        return examples.stream()
                .flatMap(each -> DoubleStream.of(each.rollsBefore(), each.rolls(), each.seconds())
                        .boxed())
                .toList();
    }

    private static double orZero(@Nullable Double value) {
        return value == null ? 0 : value;
    }

    /** A short name for it, unique in its leaflet. */
    public String id() {
        return String.join("_", kind.name(), bath, part, Integer.toString(number));
    }

    /**
     * Reads the figure as somebody types it again.
     *
     * @param text the text
     * @param leaflet the sheet
     * @param volume in what a bare volume is
     * @param scale of what scale a bare temperature is
     * @return what it says
     * @throws Refusal what the reading of its kind refuses
     */
    public Typed read(String text, Leaflet leaflet, Volume.Unit volume, Temperature.Scale scale) {
        if (text.isBlank()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        return switch (kind) {
            case MOVEMENT -> movementFigures(PrintedMovement.parse(text));
            case STEPS -> stepFigures(SheetLines.steps(text, leaflet.baths(), scale));
            default -> new Typed(figures(text, leaflet, volume, scale));
        };
    }

    private List<Double> figures(String text, Leaflet leaflet, Volume.Unit volume, Temperature.Scale scale) {
        return switch (kind) {
            case START_WATER -> waterFigures(SheetLines.startWater(text, volume));
            case KIT_MAKES, MAKES, WATER_AFTER, ROLLS_IN ->
                List.of(Volume.parse(text, volume).ml());
            case KIT_AMOUNT, AMOUNT ->
                List.of(PrintedAmount.in(text, leaflet.part(part).unit(), volume));
            case SEALED, OPENED, IN_VIALS -> List.of(SheetLines.life(text).max());
            case MIXING -> mixingFigures(MixingTemperature.parse(text, scale));
            case WAIT -> List.of(SheetLines.minutes(text));
            case TIME -> timeFigures(PrintedTime.parse(text));
            case ROTARY -> List.of((double) ProcessingTime.parse(text).seconds());
            case TEMPERATURE -> List.of(PrintedTemperature.parse(text, scale).celsius());
            case TOLERANCE ->
                rangeFigures(
                        SheetLines.tolerance(text, leaflet.bath(bath).timing().atC(), scale));
            case PER_ROLL -> List.of(SheetLines.percent(text));
            case BANDS -> bandFigures(SheetLines.bands(text).steps().steps());
            case PUSH ->
                pushFigures(SheetLines.pushes(
                        text, leaflet.bath(bath).timing().printed().seconds()));
            case TABLE -> tableFigures(SheetLines.temperatureTable(text, scale));
            case ROLLS -> rangeFigures(SheetLines.range(text));
            case DAYS -> rangeFigures(SheetLines.life(text));
            case DILUTION -> {
                Bath.OneShot oneShot = SheetLines.dilution(text);
                yield List.of(oneShot.stockParts(), oneShot.waterParts());
            }
            case MOVEMENT, STEPS -> List.of();
            case EXAMPLES -> exampleFigures(SheetLines.examples(text, leaflet.baths()));
        };
    }

    /** Whether what was typed again is the same; a conversion may have rounded it. */
    public boolean agrees(Typed again) {
        return typed.agrees(again);
    }
}

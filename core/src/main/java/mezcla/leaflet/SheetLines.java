package mezcla.leaflet;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mezcla.measure.Fractions;
import mezcla.measure.Objection;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.measure.Temperature;
import mezcla.measure.Volume;
import org.jspecify.annotations.Nullable;

/**
 * The small tables of a printed sheet, as text with one line each, the way they are copied off paper. What is read can
 * be written again and read back. A line that is none of its table is refused with the line as {@code text}.
 */
public final class SheetLines {
    private static final String NUMBER = "([0-9]{1,4}(?:[.,][0-9]{1,2})?)";
    private static final String ROLLS = "(?:rolls?|films?)";
    private static final Pattern BAND = Pattern.compile(
            "(?:" + ROLLS + "\\s+)?(?:up to )?" + NUMBER + "(?:\\s*(?:-|–|to)\\s*" + NUMBER + ")?(?:\\s+" + ROLLS
                    + ")?\\s*:?\\s+(\\S.*)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern PUSH = Pattern.compile(
            "(push|pull)?\\s*(?:by\\s+)?([+−-]?)\\s*(one|two|three|[0-9](?:[.,][0-9]{1,2})?)(?:\\s+stops?)?\\s*:?\\s+(.+?)"
                    + "(?:\\s*,?\\s*wear\\s+[×x]?\\s*([0-9](?:[.,][0-9]{1,3})?))?",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern FACTOR = Pattern.compile("[×x]?\\s*([0-9](?:[.,][0-9]{1,3})?)\\s*[×x]?");
    private static final Pattern MORE = Pattern.compile("([+−-])\\s*([0-9]{1,3})\\s*(?:%|percent)");
    private static final Pattern EXAMPLE = Pattern.compile(
            "(?:(.+?)[,:]?\\s+)?after " + NUMBER + "(?: " + ROLLS + ")?,?\\s+(?:the next|another|" + NUMBER
                    + "(?: more)?)(?: " + ROLLS + ")?(?:,? (?:takes?|needs?))?:?\\s+(\\S.*)",
            Pattern.CASE_INSENSITIVE);
    private static final String PAIR = NUMBER + "(?:\\s*(?:-|–|to)\\s*" + NUMBER + ")?";
    private static final String ABOUT = "(?:(?:up to|about|at most)\\s+)?";
    private static final Pattern RANGE =
            Pattern.compile(ABOUT + PAIR + "(?:\\s*" + ROLLS + "(?: of .+)?)?", Pattern.CASE_INSENSITIVE);
    private static final Pattern LIFE =
            Pattern.compile(ABOUT + PAIR + "\\s*(days?|weeks?|months?|years?)?", Pattern.CASE_INSENSITIVE);
    private static final int DAYS_A_WEEK = 7;
    private static final double DAYS_A_YEAR = 365;
    private static final double MONTHS_A_YEAR = 12;
    private static final Pattern AROUND = Pattern.compile("(?:±|\\+/-|\\+-)?\\s*" + NUMBER + "\\s*(?:°?\\s*[cCfF]|K)?");
    private static final Pattern FROM_TO =
            Pattern.compile(NUMBER + "\\s*(?:°?\\s*[cCfF])?\\s*(?:-|–|to)\\s*" + NUMBER + "\\s*(?:°?\\s*[cCfF])?");
    private static final Pattern DILUTION = Pattern.compile(
            NUMBER + "(?:\\s*\\+\\s*|\\s+parts?(?: of)?(?: \\w+)?\\s+(?:to|and|plus)\\s+)" + NUMBER
                    + "(?:\\s+parts?)?(?:(?: of)? water)?",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern PERCENT = Pattern.compile(NUMBER + "\\s*(?:%|percent)?");
    private static final Pattern SACHETS = Pattern.compile(
            "(?:(?:the )?whole(?: (?:sachet|packet|tablet|bottle|pouch|bag))?|([1-9][0-9]?)\\s*(?:whole )?(?:sachets?|packets?|tablets?|bags?|pouch(?:es)?|envelopes?)?)");
    private static final double SECONDS_A_MINUTE = 60;
    private static final Pattern WATER =
            Pattern.compile("(pre-?soak|pre-?warm|pre-?wash|wash|rinse|wetting agent)\\b[,:]?\\s*(.*)");
    private static final Pattern FILLS =
            Pattern.compile("\\b([0-9]{1,2})\\s*(?:×|x)?\\s*(?:fills?|changes?)\\b(?: of water)?");
    private static final String DEGREES = "[0-9]{1,3}(?:[.,][0-9]+)?";
    private static final String SCALE = "\\s*°?\\s*[cf]\\b";
    private static final Pattern WARMTH = Pattern.compile("\\b(" + DEGREES + "(?:" + SCALE
            + ")?\\s*(?:–|-|to|±|\\+/-)\\s*"
            + DEGREES + SCALE + "(?:\\s*/\\s*" + DEGREES + SCALE + ")?|" + DEGREES + SCALE + "(?:\\s*[/(]\\s*" + DEGREES
            + SCALE + "\\)?)?|(?:the )?room(?: temp(?:erature|\\.)?)?|(?<=:[0-9]{2} |:[0-9]{2} at |:[0-9]{2}, )"
            + DEGREES
            + "$)");

    private static final Pattern WATER_RANGE = Pattern.compile("([0-9][^–-]*?)\\s*(?:–|-|\\bto\\b)\\s*([0-9].*)");

    /** What is printed around one figure; more than that was printed from one to another. */
    private static final double MOST_AROUND_C = 1.5;

    private static final int MOST_INSTRUCTION = 80;

    private SheetLines() {}

    /**
     * Bands of rolls: {@code 1-6 3:15}, {@code 7–12 rolls: 3:30}; a line with one number goes on from the line before.
     *
     * @throws Refusal {@code not-a-band}, {@code steps-missing} or {@code band-reversed}
     */
    public static PrintedBands bands(String text) {
        List<PrintedBands.Band> bands = new ArrayList<>();
        for (String line : lines(text)) {
            Matcher matcher = matching(BAND, line, LeafletObjection.NotABand::new);
            double first = number(matcher.group(1));
            boolean alone = matcher.group(2) == null;
            double before = bands.isEmpty() ? 0 : bands.get(bands.size() - 1).upTo();
            bands.add(new PrintedBands.Band(
                    alone ? Math.min(before + 1, first) : first,
                    alone ? first : number(matcher.group(2)),
                    time(matcher.group(3), line, LeafletObjection.NotABand::new)));
        }
        return new PrintedBands(bands);
    }

    /** Bands as text. */
    public static String bands(PrintedBands bands) {
        return text(bands.bands(), band -> plain(band.from()) + "–" + plain(band.upTo()) + " " + time(band.seconds()));
    }

    /**
     * Factors for pushed and pulled film: {@code +1 1.25}, {@code −1 0.85}, {@code +2 1.6 wear 1.5}, {@code Push 1 stop: +
     * 30 %}; a sheet that prints the whole time says {@code +1 stop 4:20}.
     *
     * @param text the text
     * @param freshSeconds the time that is neither pushed nor pulled, in seconds
     * @throws Refusal {@code not-a-push}
     */
    public static List<Timing.Push> pushes(String text, double freshSeconds) {
        return lines(text).stream()
                .map(line -> push(line, freshSeconds))
                .sorted(Comparator.comparingDouble(Timing.Push::stops))
                .toList();
    }

    private static Timing.Push push(String line, double freshSeconds) {
        Matcher matcher = matching(PUSH, line, LeafletObjection.NotAPush::new);
        boolean pulled =
                "pull".equalsIgnoreCase(matcher.group(1)) || matcher.group(2).matches("[−-]");
        double stops = stops(matcher.group(3)) * (pulled ? -1 : 1);
        double factor = factor(matcher.group(4), freshSeconds, line);
        String wear = matcher.group(5);
        if (factor <= 0 || stops == 0) {
            throw Refusal.of(new LeafletObjection.NotAPush(line));
        }
        return new Timing.Push(stops, factor, wear == null ? 1 : number(wear));
    }

    private static double stops(String typed) {
        return switch (typed.toLowerCase(Locale.ROOT)) {
            case "one" -> 1;
            case "two" -> 2;
            case "three" -> 3;
            default -> number(typed);
        };
    }

    private static double factor(String typed, double freshSeconds, String line) {
        Matcher factor = FACTOR.matcher(typed);
        if (factor.matches()) {
            return number(factor.group(1));
        }
        Matcher more = MORE.matcher(typed);
        if (more.matches()) {
            return 1 + number(more.group(2)) / 100 * (more.group(1).equals("+") ? 1 : -1);
        }
        return time(typed, line, LeafletObjection.NotAPush::new) / freshSeconds;
    }

    /** Factors as text. */
    public static String pushes(List<Timing.Push> pushes) {
        return text(
                pushes,
                push -> (push.stops() > 0 ? "+" : "") + plain(push.stops()).replace('-', '−') + " "
                        + plain(push.factor()) + (push.wearWeight() == 1 ? "" : " wear " + plain(push.wearWeight())));
    }

    /**
     * Times at temperatures: {@code 35 °C 4:30}, {@code 35 °C / 95 °F: 4 min 30 s}.
     *
     * @param shown the scale of a bare number
     * @throws Refusal {@code not-a-time-at}
     */
    public static List<Timing.TimeAt> temperatureTable(String text, Temperature.Scale shown) {
        return lines(text).stream()
                .map(line -> timeAt(line, shown))
                .sorted(Comparator.comparingDouble(Timing.TimeAt::c))
                .toList();
    }

    /** The first gap at which the line parts into a temperature and a time. */
    private static Timing.TimeAt timeAt(String line, Temperature.Scale shown) {
        return IntStream.range(1, line.length())
                .filter(at -> line.charAt(at) == ' ')
                .mapToObj(at -> timeAt(line.substring(0, at).replaceAll("[:,]$", ""), line.substring(at + 1), shown))
                .flatMap(Optional::stream)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new LeafletObjection.NotATimeAt(line)));
    }

    private static Optional<Timing.TimeAt> timeAt(String temperature, String time, Temperature.Scale shown) {
        try {
            double c = PrintedTemperature.parse(temperature, shown).celsius();
            return Optional.of(new Timing.TimeAt(c, ProcessingTime.parse(time).seconds()));
        } catch (Refusal otherwise) {
            return Optional.empty();
        }
    }

    /** Times at temperatures as text. */
    public static String temperatureTable(List<Timing.TimeAt> table) {
        return text(table, point -> plain(point.c()) + " °C " + time(point.seconds()));
    }

    /**
     * Printed examples: {@code Developer after 7, 2 more: 3:40}, {@code After 8 rolls the next takes 3:50}; without a bath the first developer is meant.
     *
     * @param baths what the leaflet has
     * @throws Refusal {@code not-an-example}
     */
    public static List<PrintedExample> examples(String text, List<Bath> baths) {
        return lines(text).stream()
                .map(line -> {
                    Matcher matcher = matching(EXAMPLE, line, LeafletObjection.NotAnExample::new);
                    String name = matcher.group(1);
                    Bath bath = name == null ? firstDeveloper(baths) : named(name.strip(), baths);
                    double rolls = matcher.group(3) == null ? 1 : number(matcher.group(3));
                    if (bath == null || rolls <= 0) {
                        throw Refusal.of(new LeafletObjection.NotAnExample(line));
                    }
                    return new PrintedExample(
                            bath.key(),
                            number(matcher.group(2)),
                            rolls,
                            time(matcher.group(4), line, LeafletObjection.NotAnExample::new));
                })
                .toList();
    }

    /** Printed examples as text. */
    public static String examples(Leaflet leaflet) {
        return text(
                leaflet.examples(),
                example -> leaflet.bath(example.bath()).role().name() + " after " + plain(example.rollsBefore()) + ", "
                        + plain(example.rolls()) + " more: " + time(example.seconds()));
    }

    /**
     * What happens to the film: {@code Pre-soak 1:00 38 °C}, the name of a bath, {@code Wash 3:00}, {@code Wash 0:30 to
     * 1:00}, {@code Wash at least 6 min}, {@code Wash 6 fills}, {@code Wash 3 min 75–105 °F or 7 fills} in any order,
     * {@code Wash until clear}, {@code Wetting agent 1:00, of the house's own}. What follows a semicolon is an instruction: {@code Pre-bath; shake
     * hard}.
     *
     * @param baths what the leaflet has
     * @param shown the scale of a bare number
     * @throws Refusal {@code not-a-step}
     */
    public static List<ProcessStep> steps(String text, List<Bath> baths, Temperature.Scale shown) {
        return lines(text).stream().map(line -> instructed(line, baths, shown)).toList();
    }

    private static ProcessStep instructed(String line, List<Bath> baths, Temperature.Scale shown) {
        int semicolon = line.indexOf(';');
        if (semicolon < 0) {
            return step(line, baths, shown);
        }
        String says = line.substring(semicolon + 1).strip();
        if (says.isEmpty() || says.length() > MOST_INSTRUCTION) {
            throw Refusal.of(new LeafletObjection.NotAStep(line));
        }
        return step(line.substring(0, semicolon).strip(), baths, shown).saying(says);
    }

    private static ProcessStep step(String line, List<Bath> baths, Temperature.Scale shown) {
        Bath bath = named(line.replaceFirst("[,:]?\\s+[0-9].*$", ""), baths);
        if (bath != null) {
            return new ProcessStep(ProcessStep.Kind.BATH, bath.key(), null, null, null);
        }
        Matcher water = WATER.matcher(Fractions.inDecimals(line.toLowerCase(Locale.ROOT)));
        if (!water.matches()) {
            throw Refusal.of(new LeafletObjection.NotAStep(line));
        }
        String rest = water.group(2).replaceFirst(",? *of (?:the house|our|one)[’']?s? own$", "");
        if (rest.equals("until clear") || rest.equals("until it runs clear")) {
            return new ProcessStep(ProcessStep.Kind.WASH_UNTIL_CLEAR, null, null, null, null);
        }
        try {
            return timed(water.group(1), rest, shown);
        } catch (Refusal refusal) {
            throw Refusal.of(new LeafletObjection.NotAStep(line));
        }
    }

    /** Time, fills and temperature of water, in whatever order they are printed. */
    private static ProcessStep timed(String what, String printed, Temperature.Scale shown) {
        String rest = printed;
        Integer fills = null;
        Matcher filled = FILLS.matcher(rest);
        if (filled.find()) {
            fills = Integer.valueOf(filled.group(1));
            rest = without(rest, filled);
        }
        PrintedTemperature warmth = null;
        Matcher warm = WARMTH.matcher(rest);
        if (warm.find()) {
            warmth = PrintedTemperature.parse(warm.group(1), shown);
            rest = without(rest, warm);
        }
        boolean counted = fills != null && rest.isEmpty();
        PrintedTime time = counted ? null : PrintedTime.parse(rest);
        ProcessStep.Kind kind = what.startsWith("pre")
                ? ProcessStep.Kind.PRE_SOAK
                : what.startsWith("wetting")
                        ? ProcessStep.Kind.WETTING_AGENT
                        : counted ? ProcessStep.Kind.WASH_FILLS : ProcessStep.Kind.WASH;
        return new ProcessStep(
                kind,
                null,
                time == null ? null : time.seconds(),
                time == null || time.mostSeconds() <= time.seconds() ? null : Double.valueOf(time.mostSeconds()),
                fills,
                warmth == null ? null : warmth.celsius(),
                warmth == null ? null : warmth.leastC(),
                warmth == null ? null : warmth.mostC(),
                null);
    }

    /** What is left of a line without what was found in it, and without the words that joined the two. */
    private static String without(String text, Matcher found) {
        String left = text.substring(0, found.start()).strip().replaceFirst("(?:,| or| at|, or|, at)+$", "");
        String right = text.substring(found.end()).strip().replaceFirst("^(?:,|or |at )+", "");
        return (left + " " + right).strip().replaceFirst("^or ", "");
    }

    /** Steps as text. */
    public static String steps(Leaflet leaflet) {
        return text(leaflet.steps(), step -> written(step, leaflet) + (step.says() == null ? "" : "; " + step.says()));
    }

    private static String written(ProcessStep step, Leaflet leaflet) {
        return switch (step.kind()) {
            case BATH -> leaflet.bath(String.valueOf(step.bath())).role().name();
            case WASH_FILLS -> "Wash " + step.fills() + " fills" + warmth(step);
            case WASH_UNTIL_CLEAR -> "Wash until clear";
            case WETTING_AGENT -> "Wetting agent" + timed(step);
            case PRE_SOAK -> "Pre-soak" + timed(step);
            case WASH -> "Wash" + timed(step);
        };
    }

    private static String timed(ProcessStep step) {
        Double seconds = step.seconds();
        Double most = step.mostSeconds();
        return (seconds == null ? "" : " " + new PrintedTime(seconds, most == null ? seconds : most))
                + (step.fills() == null ? "" : " or " + step.fills() + " fills")
                + warmth(step);
    }

    private static String warmth(ProcessStep step) {
        Double atC = step.atC();
        Double least = step.leastC();
        Double most = step.mostC();
        if (atC == null) {
            return "";
        }
        if (atC == PrintedTemperature.ROOM.celsius() && Objects.equals(least, PrintedTemperature.ROOM.leastC())) {
            return " room temperature";
        }
        return least == null || most == null ? " " + degrees(List.of(atC)) : " " + degrees(List.of(least, most));
    }

    /** Temperatures as they were printed, as far as figures tell: in °F where they are whole there and not in °C. */
    private static String degrees(List<Double> celsius) {
        boolean inC = celsius.stream().allMatch(each -> isWhole(each * 10));
        boolean inF = !inC && celsius.stream().allMatch(each -> isWhole((each * 1.8 + 32) * 2));
        return celsius.stream()
                        .map(each -> inF ? plain(Math.round((each * 1.8 + 32) * 2) / 2.0) : rounded(each))
                        .collect(Collectors.joining("–"))
                + (inF ? " °F" : " °C");
    }

    private static boolean isWhole(double value) {
        return Math.abs(value - Math.rint(value)) < 1e-9;
    }

    /**
     * A printed pair of limits, or one that is both: {@code 12–16}, {@code 42}.
     *
     * @throws Refusal {@code not-a-range}, {@code range-reversed}
     */
    public static Range range(String text) {
        Matcher matcher = matching(RANGE, text.strip(), LeafletObjection.NotARange::new);
        return range(matcher, 1);
    }

    /**
     * A printed life: {@code 28–42} days, {@code 2–6 weeks}, {@code 24 months}, {@code 1 year}.
     *
     * @return in days
     * @throws Refusal {@code not-a-range}, {@code range-reversed}
     */
    public static Range life(String text) {
        Matcher matcher = matching(LIFE, text.strip(), LeafletObjection.NotARange::new);
        return range(matcher, daysIn(matcher.group(3)));
    }

    private static Range range(Matcher matcher, double times) {
        double first = number(matcher.group(1)) * times;
        return new Range(first, matcher.group(2) == null ? first : number(matcher.group(2)) * times);
    }

    /** How many days a week, a month or a year has, whole days for whole years; 1 for days and for nothing. */
    private static double daysIn(@Nullable String unit) {
        String word = unit == null ? "" : unit.strip().toLowerCase(Locale.ROOT);
        if (word.startsWith("week")) {
            return DAYS_A_WEEK;
        }
        if (word.startsWith("month")) {
            return DAYS_A_YEAR / MONTHS_A_YEAR;
        }
        return word.startsWith("year") ? DAYS_A_YEAR : 1;
    }

    /** A range as text. */
    public static String range(Range range) {
        return range.min() == range.max() ? plain(range.max()) : plain(range.min()) + "–" + plain(range.max());
    }

    /**
     * Where a temperature makes no difference: {@code ± 0.3} or {@code 0.3} around the printed one, or from one to another, {@code
     * 24–41 °C}.
     *
     * @param atC the printed temperature, in °C
     * @param shown the scale of bare numbers
     * @return the lowest and the highest, in °C
     * @throws Refusal {@code not-a-tolerance}
     */
    public static Range tolerance(String text, double atC, Temperature.Scale shown) {
        String words = Fractions.inDecimals(text.strip());
        boolean fahrenheit =
                words.matches(".*[fF]$") || (words.matches(".*[0-9]$") && shown == Temperature.Scale.FAHRENHEIT);
        double degree = fahrenheit ? 1 / 1.8 : 1;
        Matcher around = AROUND.matcher(words);
        if (around.matches()) {
            double off = number(around.group(1)) * degree;
            return new Range(atC - off, atC + off);
        }
        Matcher matcher = matching(FROM_TO, words, LeafletObjection.NotATolerance::new);
        double least = number(matcher.group(1));
        double most = number(matcher.group(2));
        return fahrenheit ? new Range((least - 32) / 1.8, (most - 32) / 1.8) : new Range(least, most);
    }

    /** Whether a range of temperatures was printed as one, and not as a figure with a tolerance around it. */
    public static boolean isPrintedRange(Timing timing) {
        double half = (timing.mostC() - timing.leastC()) / 2;
        return timing.printsTolerance()
                && Slack.exceeds(half, MOST_AROUND_C)
                && Math.abs(timing.leastC() + half - timing.atC()) < 1e-6;
    }

    /** A tolerance as text. */
    public static String tolerance(Timing timing) {
        double below = timing.atC() - timing.leastC();
        double above = timing.mostC() - timing.atC();
        return Math.abs(below - above) < 1e-6 && !Slack.exceeds(above, MOST_AROUND_C)
                ? "± " + rounded(above) + " °C"
                : degrees(List.of(timing.leastC(), timing.mostC()));
    }

    private static String rounded(double value) {
        return plain(Math.round(value * 100) / 100.0);
    }

    /**
     * How a stock is diluted for one run: {@code 1 + 4}, {@code 1 part stock to 4 parts water}; stock first.
     *
     * @throws Refusal {@code not-a-dilution}
     */
    public static Bath.OneShot dilution(String text) {
        Matcher matcher = matching(DILUTION, text.strip(), LeafletObjection.NotADilution::new);
        double stock = number(matcher.group(1));
        if (stock <= 0) {
            throw Refusal.of(new LeafletObjection.NotADilution(text.strip()));
        }
        return new Bath.OneShot(stock, number(matcher.group(2)));
    }

    /**
     * Minutes to wait: {@code 3}, {@code 3 min}, {@code 3:00}; a bare number is minutes.
     *
     * @throws Refusal {@code not-a-wait}
     */
    public static double minutes(String text) {
        String typed = text.strip();
        try {
            String time = typed.matches("[1-9][0-9]{0,2}") ? typed + " min" : typed;
            return Math.ceil(PrintedTime.parse(time).seconds() / SECONDS_A_MINUTE);
        } catch (Refusal refusal) {
            throw Refusal.of(new LeafletObjection.NotAWait(typed));
        }
    }

    /** Whether a wait ends when something is seen, and not by the clock: {@code until dissolved}, {@code until clear}. */
    public static boolean isUntilSeen(String text) {
        return text.strip().toLowerCase(Locale.ROOT).startsWith("until ");
    }

    /**
     * Water that a mix starts with; the same twice where one figure is printed.
     *
     * @param leastMl the least, in ml
     * @param mostMl the most, in ml
     */
    public record StartWater(double leastMl, double mostMl) {
        /** Refuses a range that goes down, as {@code range-reversed}. */
        public StartWater {
            if (leastMl > mostMl) {
                throw Refusal.of(new LeafletObjection.RangeReversed(leastMl, mostMl));
            }
        }
    }

    /**
     * Water that a mix starts with, one figure or from one to another: {@code 700 ml}, {@code 600 to 700 ml}, {@code none}.
     *
     * @param shown the unit of a bare number
     * @throws Refusal what {@link Volume#parse} refuses, and {@code range-reversed}
     */
    public static StartWater startWater(String text, Volume.Unit shown) {
        String typed = text.strip();
        if (typed.matches("0|none|no")) {
            return new StartWater(0, 0);
        }
        Matcher range = WATER_RANGE.matcher(typed);
        if (!range.matches()) {
            double ml = Volume.parse(typed, shown).ml();
            return new StartWater(ml, ml);
        }
        String unit = range.group(2).replaceFirst("^[0-9.,/ ]+", "");
        String least = range.group(1).matches("[0-9.,/ ]+") ? range.group(1) + " " + unit : range.group(1);
        return new StartWater(
                Volume.parse(least, shown).ml(),
                Volume.parse(range.group(2), shown).ml());
    }

    /**
     * Percent: {@code 4}, {@code 4 %}.
     *
     * @throws Refusal {@code not-a-percentage}
     */
    public static double percent(String text) {
        Matcher matcher = matching(PERCENT, text.strip(), LeafletObjection.NotAPercentage::new);
        double percent = number(matcher.group(1));
        if (percent <= 0 || percent > 100) {
            throw Refusal.of(new LeafletObjection.NotAPercentage(text.strip()));
        }
        return percent;
    }

    /**
     * Sachets or tablets of unknown weight: {@code 1 sachet}, {@code 2 tablets}, {@code whole}.
     *
     * @throws Refusal {@code not-sachets}
     */
    public static double sachets(String text) {
        Matcher matcher = matching(SACHETS, text.strip().toLowerCase(Locale.ROOT), LeafletObjection.NotSachets::new);
        return matcher.group(1) == null ? 1 : Double.parseDouble(matcher.group(1));
    }

    /** A dilution as text. */
    public static String dilution(Bath.OneShot oneShot) {
        return plain(oneShot.stockParts()) + " + " + plain(oneShot.waterParts());
    }

    private static @Nullable Bath named(String name, List<Bath> baths) {
        return baths.stream()
                .filter(bath -> bath.role().isCalled(name) || bath.key().equalsIgnoreCase(name))
                .findFirst()
                .orElse(null);
    }

    private static @Nullable Bath firstDeveloper(List<Bath> baths) {
        return baths.stream()
                .filter(bath -> bath.role().isDeveloper())
                .findFirst()
                .orElse(null);
    }

    private static List<String> lines(String text) {
        return text.lines().map(String::strip).filter(line -> !line.isEmpty()).toList();
    }

    private static <T> String text(List<T> rows, Function<T, String> line) {
        return rows.stream().map(line).collect(Collectors.joining("\n"));
    }

    private static Matcher matching(Pattern pattern, String line, Function<String, Objection> otherwise) {
        Matcher matcher = pattern.matcher(line);
        if (!matcher.matches()) {
            throw Refusal.of(otherwise.apply(line));
        }
        return matcher;
    }

    private static double time(String typed, String line, Function<String, Objection> otherwise) {
        try {
            return ProcessingTime.parse(typed).seconds();
        } catch (Refusal refusal) {
            throw Refusal.of(otherwise.apply(line));
        }
    }

    private static String time(double seconds) {
        return new ProcessingTime((int) Math.round(seconds)).toString();
    }

    private static double number(String typed) {
        return Double.parseDouble(typed.replace(',', '.'));
    }

    private static String plain(double value) {
        BigDecimal number = BigDecimal.valueOf(value).stripTrailingZeros();
        return number.toPlainString();
    }
}

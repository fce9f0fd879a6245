package mezcla.processing;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mezcla.leaflet.PrintedLine;
import mezcla.leaflet.PrintedTemperature;
import mezcla.leaflet.PrintedTime;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.measure.Temperature;
import org.jspecify.annotations.Nullable;

/**
 * How a house or a member does one step otherwise than its sheet prints it (rules, section 7).
 *
 * @param leftOut whether it is left out
 * @param seconds how long it takes, in seconds; null for as planned
 * @param water whether water that is printed both ways goes by its time or by its fills
 * @param rinsed whether half a minute of water comes after it
 * @param movement how the tank is moved in it; null for as in the whole run
 * @param fills how often water is filled in and poured out; null for as printed
 * @param atC how warm water is, in °C; null for as printed
 */
public record StepChoice(
        boolean leftOut,
        @Nullable Integer seconds,
        Water water,
        boolean rinsed,
        @Nullable Movement movement,
        @Nullable Integer fills,
        @Nullable Double atC) {
    private static final double LONGEST_SECONDS = 3600;
    private static final Pattern FILLS =
            Pattern.compile("([1-9][0-9]?)\\s*(?:×|x)?\\s*(?:fills?|changes?)(?: of water)?");

    /** As printed. */
    public static final StepChoice PRINTED = new StepChoice(false, null, Water.PRINTED, false, null);

    /** A choice that says nothing of how often and how warm water is. */
    public StepChoice(
            boolean leftOut, @Nullable Integer seconds, Water water, boolean rinsed, @Nullable Movement movement) {
        this(leftOut, seconds, water, rinsed, movement, null, null);
    }

    /**
     * The same with how long it takes, as somebody types it: {@code 3:30}; for water also {@code 3 fills}, {@code 3 fills at 30
     * °C}, {@code 2:00 at 86 °F}; nothing for as planned.
     *
     * @param typed the text
     * @param ofWater whether the step is water
     * @param shown the scale of a bare temperature
     * @throws Refusal what {@link ProcessingTime#parse} refuses
     */
    public StepChoice lasting(String typed, boolean ofWater, Temperature.Scale shown) {
        if (typed.isBlank()) {
            return this;
        }
        PrintedLine.Timed line = PrintedLine.timed(typed);
        String warmth = line.at().isEmpty() ? line.within() : line.at();
        Matcher often = FILLS.matcher(line.time().toLowerCase(Locale.ROOT));
        if (!ofWater || !(often.matches() || !warmth.isEmpty())) {
            return new StepChoice(leftOut, ProcessingTime.parse(typed).seconds(), water, rinsed, movement, fills, atC);
        }
        Double celsius = warmth.isEmpty()
                ? null
                : Double.valueOf(PrintedTemperature.parse(warmth, shown).celsius());
        if (often.matches()) {
            return new StepChoice(leftOut, null, water, rinsed, movement, Integer.valueOf(often.group(1)), celsius);
        }
        Integer length = line.time().isEmpty()
                ? null
                : Integer.valueOf(ProcessingTime.parse(line.time()).seconds());
        return new StepChoice(leftOut, length, water, rinsed, movement, null, celsius);
    }

    /** How long it takes, as {@link #lasting} reads it back; empty for as planned. */
    public String length() {
        String often = fills == null ? "" : fills + (fills == 1 ? " fill" : " fills");
        String time =
                seconds == null ? often : ProcessingTime.ofSeconds(seconds).toString();
        return (time
                        + (atC == null
                                ? ""
                                : " at "
                                        + BigDecimal.valueOf(atC)
                                                .stripTrailingZeros()
                                                .toPlainString() + " °C"))
                .strip();
    }

    /** How long water lasts that a sheet prints both ways. */
    public enum Water {
        /** By the first that is printed. */
        PRINTED,
        /** By the clock. */
        TIME,
        /** By fills. */
        FILLS
    }

    /** Whether it says nothing else than the sheet. */
    public boolean isAsPrinted() {
        return equals(PRINTED);
    }

    StepChoice withoutTime() {
        return new StepChoice(leftOut, null, water, rinsed, movement, fills, atC);
    }

    /**
     * How long the step takes.
     *
     * @param name what it is called
     * @param plannedSeconds how long it is to take, in seconds
     * @param printed what the sheet allows of it
     * @param developer whether it develops, so that more of it is not harmless
     * @throws Refusal {@code time-too-short} where the time is shorter than planned; {@code time-outside-sheet} where a
     *     developer's is, or is longer than
     *     the range that is printed for it, as much longer as it was planned
     */
    double lasts(String name, double plannedSeconds, PrintedTime printed, boolean developer) {
        if (seconds == null) {
            return plannedSeconds;
        }
        double most = developer && !Double.isInfinite(printed.mostSeconds())
                ? plannedSeconds * printed.mostSeconds() / printed.seconds()
                : LONGEST_SECONDS;
        if (!developer && !Slack.reaches(seconds, plannedSeconds)) {
            throw Refusal.of(new ProcessingObjection.TimeTooShort(name, plannedSeconds));
        }
        if (!Slack.reaches(seconds, plannedSeconds) || Slack.exceeds(seconds, most)) {
            throw Refusal.of(new ProcessingObjection.TimeOutsideSheet(name, plannedSeconds, most));
        }
        return seconds;
    }

    /** How long a wash takes, in seconds: it may be shorter than printed, which is said ({@link WashShort}). */
    double washes(String name, double printedSeconds) {
        if (seconds != null && Slack.exceeds(seconds, LONGEST_SECONDS)) {
            throw Refusal.of(new ProcessingObjection.TimeOutsideSheet(name, 1, LONGEST_SECONDS));
        }
        return seconds == null ? printedSeconds : seconds;
    }
}

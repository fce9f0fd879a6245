package mezcla.web.words;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import mezcla.leaflet.Unit;
import mezcla.measure.Mass;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Temperature;
import mezcla.measure.Volume;
import mezcla.mixing.Tool;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/** Figures as people read them. Nothing is computed with what these return. */
public final class Figures {
    private static final double MOST_SECONDS = 6 * 3600;
    private static final String[] WORDS = {
        "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"
    };
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM", Locale.UK);
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.UK);
    private static final DateTimeFormatter DAY_AND_YEAR = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);
    private static final DateTimeFormatter WEEKDAY = DateTimeFormatter.ofPattern("EEEE d MMMM yyyy", Locale.UK);
    private static final DateTimeFormatter DAY_AND_HOUR = DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.UK);
    private static final DateTimeFormatter DAY_YEAR_AND_HOUR =
            DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.UK);
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm", Locale.UK);
    private static final DateTimeFormatter WEEKDAY_AND_HOUR = DateTimeFormatter.ofPattern("EEEE HH:mm", Locale.UK);

    private static final int HALF_MARK_DECIMALS = 3;
    private static final int US_DECIMALS = 2;
    private static final int OUNCE_DECIMALS = 5;
    private static final int SUM_DECIMALS = 9;

    private Figures() {}

    /** Millilitres: finer the smaller they are, as a bench can measure. */
    public static String ml(double ml) {
        return amount(ml, Unit.ML);
    }

    /** A volume that is not measured out: litres from one litre up. */
    public static String inAll(double ml) {
        return ml < 1000 || Units.shown() == Units.US ? ml(ml) : plain(ml / 1000, 1) + "\u00a0L";
    }

    /** An amount of a part: hundredths below 10, tenths below 100, whole above; in the units of the page. */
    public static String amount(double amount, Unit unit) {
        if (unit == Unit.SACHET) {
            return plain(amount, US_DECIMALS) + "\u00a0" + (amount == 1 ? "sachet" : "sachets");
        }
        if (Units.shown() == Units.US) {
            return unit == Unit.ML
                    ? measured(Volume.Unit.US_FL_OZ.of(amount), "fl\u00a0oz")
                    : measured(Mass.ounces(amount), "oz");
        }
        return measured(amount, unit.symbol());
    }

    /**
     * An amount to pour or weigh, in what the chosen tool is marked in, to half a mark (rules, section 2).
     *
     * @param amount how much, in its unit
     * @param unit ml or g
     * @param tool what it is measured with; null where none was chosen
     */
    public static String marked(double amount, Unit unit, @Nullable Tool tool) {
        if (unit == Unit.SACHET) {
            return amount(amount, unit);
        }
        if (tool == null) {
            return measured(amount, unit.symbol());
        }
        double half = tool.graduation() / 2;
        return inMarks(Math.round(amount / half) * half, tool);
    }

    /** An amount in the unit that a tool is marked in. */
    public static String inMarks(double amount, Tool tool) {
        Volume.Unit marking = tool.marking();
        return marking == Volume.Unit.ML
                ? plain(amount, HALF_MARK_DECIMALS) + "\u00a0" + tool.unit().symbol()
                : plain(marking.of(amount), OUNCE_DECIMALS) + "\u00a0"
                        + marking.symbol().replace(" ", "\u00a0");
    }

    /** The same amount in the reader's own unit, to stand beside it; empty where that is the same. */
    public static String inReadersUnit(double amount, Unit unit) {
        return Units.shown() != Units.US || unit == Unit.SACHET ? "" : inOunces(amount, unit);
    }

    /**
     * The same in the reader's own unit, to stand beside an amount in the marks of a tool; empty where that is the same.
     *
     * @param tool what it is measured with; null where none was chosen
     */
    public static String besideMarks(double amount, Unit unit, @Nullable Tool tool) {
        boolean inOunces = tool != null && tool.marking() != Volume.Unit.ML;
        return inOunces
                ? Units.shown() == Units.US ? "" : measured(amount, unit.symbol())
                : inReadersUnit(amount, unit);
    }

    private static String inOunces(double amount, Unit unit) {
        return unit == Unit.ML
                ? ounces(Volume.Unit.US_FL_OZ.of(amount)) + "\u00a0fl\u00a0oz"
                : ounces(Mass.ounces(amount)) + "\u00a0oz";
    }

    private static String ounces(double ounces) {
        return plain(ounces, ounces < 1 ? HALF_MARK_DECIMALS : US_DECIMALS);
    }

    private static String measured(double amount, String symbol) {
        int decimals = amount < 10 ? 2 : amount < 100 ? 1 : 0;
        return plain(amount, decimals) + "\u00a0" + symbol;
    }

    /** A half goes up, also one that a long sum has left a trace below its half. */
    private static BigDecimal rounded(double value, int decimals) {
        return BigDecimal.valueOf(value)
                .setScale(SUM_DECIMALS, RoundingMode.HALF_UP)
                .setScale(decimals, RoundingMode.HALF_UP);
    }

    /** A number without idle zeros behind the point, and with a thin space between thousands. */
    public static String plain(double value, int decimals) {
        BigDecimal stripped = rounded(value, decimals).stripTrailingZeros();
        String text = (stripped.scale() < 0 ? stripped.setScale(0) : stripped).toPlainString();
        String whole = text.contains(".") ? text.substring(0, text.indexOf('.')) : text;
        return whole.length() < 5 ? text : text.replaceAll("(?<=[0-9])(?=(?:[0-9]{3})+(?![0-9]))", "\u202f");
    }

    /** Roll equivalents: {@code 2}, {@code 1.75}. */
    public static String rolls(double equivalents) {
        return plain(equivalents, 2);
    }

    /** Roll equivalents with the word: {@code one roll}, {@code 1.75 rolls}. */
    public static String countOfRolls(double equivalents) {
        return counted(equivalents, "roll");
    }

    /** Days with the word: {@code one day}, {@code 19 days}. */
    public static String countOfDays(double days) {
        return counted(days, "day");
    }

    /** Weeks with the word, whole ones, one at least: {@code three weeks}. */
    public static String weeks(double weeks) {
        return count((int) Math.max(1, Math.round(weeks)), "week");
    }

    /** Things with their word: {@code one tank}, {@code 34 bottles}. */
    public static String count(int things, String thing) {
        return counted(things, thing);
    }

    private static String counted(double value, String thing) {
        String text = plain(value, 2);
        String ending = text.equals("1") ? "" : thing.endsWith("ch") ? "es" : "s";
        return (text.contains(".") ? text : number(value)) + " " + thing + ending;
    }

    /** A whole number, as a word up to twelve. */
    public static String number(long count) {
        return number((double) count);
    }

    /** A small whole number as a word, and any other as it is written. */
    public static String number(double whole) {
        return whole >= 0 && whole <= 12 ? WORDS[(int) Math.round(whole)] : plain(whole, 0);
    }

    /** With a capital first letter. */
    public static String sentence(String words) {
        return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** With a small first letter. */
    public static String within(String words) {
        return words.isEmpty() ? words : Character.toLowerCase(words.charAt(0)) + words.substring(1);
    }

    /** Degrees: {@code 38.0 °C}, or {@code 100.4 °F} where the page is read so. */
    public static String celsius(double celsius) {
        double degrees =
                Units.shown() == Units.US ? Temperature.ofCelsius(celsius).fahrenheit() : celsius;
        return rounded(degrees, 1).toPlainString() + "\u00a0" + Units.shown().temperatureName();
    }

    /** From one temperature to another, as it is printed: {@code 24–41 °C}, or {@code 75–105 °F}. */
    public static String celsius(double leastC, double mostC) {
        boolean us = Units.shown() == Units.US;
        return plain(us ? Temperature.ofCelsius(leastC).fahrenheit() : leastC, 1)
                + "–"
                + plain(us ? Temperature.ofCelsius(mostC).fahrenheit() : mostC, 1)
                + "\u00a0"
                + Units.shown().temperatureName();
    }

    /** How far two temperatures are apart: {@code 0.5 °C}, or {@code 0.9 °F} where the page is read so. */
    public static String apart(double celsius) {
        double degrees = Units.shown() == Units.US ? celsius * 1.8 : celsius;
        return plain(degrees, 1) + "\u00a0" + Units.shown().temperatureName();
    }

    /** A temperature in whole degrees of the page's scale, without its name, as it stands at an axis. */
    public static String degrees(double celsius) {
        return plain(Units.shown() == Units.US ? Temperature.ofCelsius(celsius).fahrenheit() : celsius, 0);
    }

    /** The hour of a moment: {@code 19:06}. */
    public static String hour(Instant instant, ZoneId zone) {
        return HOUR.format(instant.atZone(zone));
    }

    /** A length to the second, as minutes and seconds: {@code 3:12}. */
    public static String clock(double seconds) {
        long whole = Math.round(seconds);
        return "%d:%02d".formatted(whole / 60, whole % 60);
    }

    /** Seconds more or less: {@code 15 s}, {@code 1:05}. */
    public static String seconds(double seconds) {
        return seconds < 60
                ? plain(seconds, 0) + "\u00a0s"
                : new ProcessingTime((int) Math.round(Math.min(MOST_SECONDS, seconds))).toString();
    }

    /** Percent with its sign: {@code +4 %}. */
    public static String percent(double percent) {
        return (percent < 0 ? "−" : "+") + plain(Math.abs(percent), 1) + "\u00a0%";
    }

    /** Stops with their sign: {@code +1}, {@code −0.5}, {@code 0}. */
    public static String stops(double stops) {
        return stops == 0 ? "0" : (stops > 0 ? "+" : "−") + plain(Math.abs(stops), 1);
    }

    /** Money: {@code NZ$9.43}. */
    public static String money(Money money) {
        return money.getCurrencyUnit().toCurrency().getSymbol(Locale.UK)
                + money.getAmount().toPlainString();
    }

    /** A day: {@code 2 November}. */
    public static String day(Instant instant, ZoneId zone) {
        return DAY.format(instant.atZone(zone));
    }

    /** A day: {@code 2 November}. */
    public static String day(LocalDate day) {
        return DAY.format(day);
    }

    /** A month: {@code November 2026}. */
    public static String month(YearMonth month) {
        return MONTH.format(month);
    }

    /** Money with its sign, to the cent: {@code +8.85}, {@code −6.20}, {@code 0.00}. */
    public static String signed(Money money) {
        return (money.isNegative() ? "−" : money.isPositive() ? "+" : "")
                + money.abs().getAmount().toPlainString();
    }

    /** A day with its year, for paper: {@code 2 November 2026}. */
    public static String dayAndYear(Instant instant, ZoneId zone) {
        return DAY_AND_YEAR.format(instant.atZone(zone));
    }

    /** A day with its year, for paper: {@code 2 November 2026}. */
    public static String dayAndYear(LocalDate day) {
        return DAY_AND_YEAR.format(day);
    }

    /** A day of a journal: {@code Tuesday 24 November 2026}. */
    public static String weekday(Instant instant, ZoneId zone) {
        return WEEKDAY.format(instant.atZone(zone));
    }

    /** A day and an hour: {@code Tuesday 24 November, 18:20}. */
    public static String dayAndHour(Instant instant, ZoneId zone) {
        return DAY_AND_HOUR.format(instant.atZone(zone));
    }

    /** Since when, as seen from now: {@code 18:40} today, {@code Tuesday 18:40} before. */
    public static String since(Instant since, Instant now, ZoneId zone) {
        boolean today = since.atZone(zone).toLocalDate().equals(now.atZone(zone).toLocalDate());
        return (today ? HOUR : WEEKDAY_AND_HOUR).format(since.atZone(zone));
    }

    /** A moment of which the year matters: {@code 30 November 2026, 18:20}. */
    public static String dayYearAndHour(Instant instant, ZoneId zone) {
        return DAY_YEAR_AND_HOUR.format(instant.atZone(zone));
    }

    /** A stretch of time in its largest unit: {@code 400 days}, {@code 3 hours}, {@code 12 minutes}. */
    public static String span(long seconds) {
        long days = Math.round(seconds / 86_400.0);
        long hours = Math.round(seconds / 3_600.0);
        return days >= 2
                ? days + " days"
                : hours >= 2 ? hours + " hours" : count((int) Math.round(seconds / 60.0), "minute");
    }

    /** The present: {@code Thursday 18:20}. */
    public static String weekdayAndHour(Instant instant, ZoneId zone) {
        return WEEKDAY_AND_HOUR.format(instant.atZone(zone));
    }
}

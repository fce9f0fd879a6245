package mezcla.web.words;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.lang.reflect.RecordComponent;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import mezcla.batch.FillState;
import mezcla.batch.ShortCode;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Unit;
import mezcla.log.LogEntry;
import mezcla.log.Subject;
import mezcla.measure.FilmFormat.Reel;
import mezcla.measure.Objection;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.planning.QueuedFilm;
import mezcla.verdict.Reason;
import mezcla.verdict.RunObjection;
import mezcla.verdict.RunRemark;
import mezcla.web.words.verdict.ReasonWords;

/**
 * What is objected to, in sentences of {@code messages/objections.properties}. A name in braces stands for that value of
 * the objection, written as what it is, or as the word after the colon says.
 */
public final class ObjectionWords {
    private static final Pattern VALUE = Pattern.compile("\\{([a-zA-Z]+)(?::([a-z-]+))?}");
    private static final Properties SENTENCES = read();

    private static final double HARDLY_ANY_ML = 0.05;

    private ObjectionWords() {}

    private static Properties read() {
        Properties sentences = new Properties();
        try (Reader reader = new InputStreamReader(
                Objects.requireNonNull(ObjectionWords.class.getResourceAsStream("/messages/objections.properties")),
                StandardCharsets.UTF_8)) {
            sentences.load(reader);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return sentences;
    }

    /** The names of all sentences. */
    static Set<String> names() {
        return SENTENCES.stringPropertyNames();
    }

    /** What is refused, and what would be accepted. */
    public static String of(Refusal refusal) {
        return of(refusal.objection());
    }

    /**
     * What is objected to, and what would be accepted.
     *
     * @throws IllegalStateException where there is no sentence for it, or the sentence has a value that it has not
     */
    public static String of(Objection objection) {
        String sentence = SENTENCES.getProperty(objection.wording());
        if (sentence == null) {
            throw new IllegalStateException("There is no sentence for " + objection.wording());
        }
        return VALUE.matcher(sentence).replaceAll(match -> quoted(objection, match));
    }

    private static String quoted(Objection objection, MatchResult match) {
        String style = Objects.requireNonNullElse(match.group(2), "");
        return java.util.regex.Matcher.quoteReplacement(written(objection, value(objection, match.group(1)), style));
    }

    private static Object value(Objection objection, String name) {
        for (RecordComponent component : objection.getClass().getRecordComponents()) {
            if (component.getName().equals(name)) {
                try {
                    return component.getAccessor().invoke(objection);
                } catch (ReflectiveOperationException e) {
                    throw new IllegalStateException(e);
                }
            }
        }
        throw new IllegalStateException(objection.key() + " has no " + name);
    }

    private static String written(Objection objection, Object value, String style) {
        return switch (style) {
            case "" -> plainly(objection, value);
            case "ml" -> Figures.ml(number(value));
            case "ml-down" -> Figures.ml(Math.floor(number(value) + HARDLY_ANY_ML));
            case "ml-all" -> Figures.inAll(number(value));
            case "clock" -> Figures.clock(number(value));
            case "celsius" -> Figures.celsius(number(value));
            case "rolls" -> Figures.countOfRolls(number(value));
            case "stops" -> Figures.stops(number(value));
            case "whole" -> Figures.plain(number(value), 0);
            case "decimals" -> Figures.plain(number(value), 3);
            case "percent" -> Figures.plain(number(value) * 100, 0) + "\u00a0%";
            case "role" -> Figures.within(((BathRole) value).name());
            case "within" -> Figures.within((String) value);
            case "amount" -> Figures.amount(number(value), (Unit) value(objection, "unit"));
            case "range" -> range((TypedObjection.OutOfRange) objection);
            case "reel" -> ((Reel) value).words();
            case "reels" -> reels((Map<?, ?>) value);
            case "rows" -> rows((List<?>) value);
            case "mistyped" -> mistyped((RunRemark.LeafletMistyped) objection);
            case "who" -> ((FillState.Bar) value).who();
            case "reason" -> ((FillState.Bar) value).reason().replaceAll("[.]+$", "");
            default -> throw new IllegalStateException("Nothing is written as " + style);
        };
    }

    private static double number(Object value) {
        return ((Number) value).doubleValue();
    }

    private static String plainly(Objection objection, Object value) {
        if (value instanceof FillState fill) {
            return Figures.within(fill.bath().role().name());
        }
        if (value instanceof Reason reason && objection instanceof RunObjection.BathMustGo must) {
            return ReasonWords.because(reason, must.fill());
        }
        return value instanceof Subject subject ? subject(subject) : String.valueOf(value);
    }

    private static String subject(Subject subject) {
        return switch (subject.kind()) {
            case KIT -> "kit " + subject.id();
            case BATCH -> "batch " + subject.id();
            case FILL -> "bottle " + ShortCode.of(subject.id());
            case DRUM -> "drum " + subject.id();
            case FILM -> QueuedFilm.code(subject.id());
            case ENTRY -> "entry " + subject.id();
        };
    }

    private static String rows(List<?> entries) {
        return entries.stream()
                .map(entry -> ((LogEntry) entry).stamp())
                .map(stamp -> "entry " + stamp.sequence() + " (" + stamp.who() + ")")
                .collect(Collectors.joining(", "));
    }

    /** What the version that is right makes of a bath, beside what it goes by now. */
    private static String mistyped(RunRemark.LeafletMistyped remark) {
        List<String> figures = new ArrayList<>();
        if (remark.right() != null && !remark.right().equals(remark.shown())) {
            figures.add("%s instead of %s".formatted(remark.right(), remark.shown() == null ? "–" : remark.shown()));
        }
        Double left = remark.rollsLeft();
        Double right = remark.rollsLeftRight();
        if (right != null && remark.leavesOthers()) {
            figures.add("%s left instead of %s"
                    .formatted(Figures.countOfRolls(right), left == null ? "no limit" : Figures.rolls(left)));
        }
        return "By version %d it is %s."
                .formatted(
                        remark.version(), figures.isEmpty() ? "the same for this run" : String.join(", and ", figures));
    }

    private static String reels(Map<?, ?> holds) {
        return TankWords.holds(holds.entrySet().stream()
                .collect(Collectors.toMap(entry -> (Reel) entry.getKey(), entry -> (Integer) entry.getValue())));
    }

    private static String range(TypedObjection.OutOfRange range) {
        return switch (range.unit()) {
            case "ml" -> "0.01 ml to 100 L";
            case "s" -> "1 s to " + new ProcessingTime((int) range.most());
            default -> Figures.plain(range.least(), 2) + " to " + Figures.plain(range.most(), 2) + " " + range.unit();
        };
    }
}

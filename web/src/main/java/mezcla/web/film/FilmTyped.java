package mezcla.web.film;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.processing.Backing;
import mezcla.verdict.RunObjection;
import mezcla.verdict.RunQuestion;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.Query;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import org.jspecify.annotations.Nullable;

/** What a member typed about film: lines of it, and what all of them have in common. */
public class FilmTyped {
    /** Pushes that can be chosen, in stops. */
    public static final List<String> PUSHES = List.of("-2", "-1", "-0.5", "0", "0.5", "1", "1.5", "2", "3");

    /** How many lines of film a form has, unless more film came with it. */
    public static final int LINES = 3;

    /** How many lines of film a form can have. */
    public static final int MOST_LINES = 12;

    private static final int CHARACTERS = 60;
    private static final int MOST_CORRECTION = 60;
    private static final Pattern LINE_FIELD = Pattern.compile("film\\[([0-9]{1,2})]\\..*");
    private static final List<String> OF_A_LINE = List.of("guest", "name", "queued", "exposures");

    private final Sent<?> sent;

    /** Reads a form that was sent, and begins what it leaves open. */
    public FilmTyped(Sent<?> sent) {
        this.sent = sent;
        for (String field : List.of("tank", "correction", "madeFor", "when", "why")) {
            sent.begin(field, "");
        }
        sent.begin("push", "0");
        sent.begin("backing", Backing.USUAL.name());
    }

    /**
     * A line, as it was typed.
     *
     * @param owner whose it is
     * @param format which format
     * @param count how many
     * @param guest the name of a guest who is not in the list yet; it counts instead of the owner
     * @param name what the film is; empty for nothing said
     * @param exposures how many it has; empty for as its format says
     * @param queued the numbers of its rolls in the queue, with commas between
     */
    public record Line(
            String owner, String format, String count, String guest, String name, String exposures, String queued) {
        private List<Long> numbers() {
            return queued.matches("[0-9]{1,9}(,[0-9]{1,9}){0,23}")
                    ? Stream.of(queued.split(",", -1)).map(Long::valueOf).toList()
                    : List.of();
        }
    }

    protected final Sent<?> sent() {
        return sent;
    }

    /** What was typed into a field. */
    public final String at(String field) {
        return sent.typed(field);
    }

    /** Whether a box was ticked. */
    public final boolean ticked(String field) {
        return sent.typed().containsKey(field) && !at(field).equals("false");
    }

    private static String field(int line, String name) {
        return "film[" + line + "]." + name;
    }

    private String at(int line, String name) {
        return at(field(line, name));
    }

    private void put(int line, String name, String text) {
        sent.put(field(line, name), text);
    }

    /** How many lines were typed. */
    private int typedLines() {
        return Math.min(
                MOST_LINES,
                sent.typed().keySet().stream()
                        .map(LINE_FIELD::matcher)
                        .filter(Matcher::matches)
                        .mapToInt(field -> Integer.parseInt(field.group(1)) + 1)
                        .max()
                        .orElse(0));
    }

    /** Whether no film was typed yet. */
    public boolean isUntyped() {
        return typedLines() == 0;
    }

    /** Its lines, filled up with empty ones. */
    public List<Line> getFilm() {
        return IntStream.range(0, Math.max(LINES, typedLines()))
                .mapToObj(i -> new Line(
                        at(i, "owner"),
                        sent.typed().getOrDefault(field(i, "format"), FilmFormat.F135_36.label()),
                        at(i, "count"),
                        at(i, "guest"),
                        at(i, "name"),
                        at(i, "exposures"),
                        at(i, "queued")))
                .toList();
    }

    /** What stands beside the fields of all lines, for a page that takes only a part of another. */
    public String getErrorIds() {
        return IntStream.range(0, Math.max(LINES, typedLines()))
                .mapToObj(i -> Stream.of("count", "format", "owner", "name", "exposures")
                        .map(each -> ",#" + each + i + "-error")
                        .collect(Collectors.joining()))
                .collect(Collectors.joining());
    }

    /** Begins with one roll of the member’s own. */
    public void beginWith(String owner) {
        ownedBy(owner);
        put(0, "count", "1");
    }

    /** Begins with film that is known already, a line for each owner and format. */
    public void beginWith(List<Roll> rolls) {
        Map<Roll, List<Roll>> lines = new LinkedHashMap<>();
        rolls.forEach(roll -> lines.computeIfAbsent(roll.queuedAs(null), same -> new ArrayList<>())
                .add(roll));
        int line = 0;
        for (List<Roll> alike : lines.values()) {
            Roll roll = alike.get(0);
            Roll.Film what = roll.film() == null ? Roll.Film.PLAIN : roll.film();
            put(line, "owner", roll.owner());
            put(line, "format", roll.format().label());
            put(line, "count", Integer.toString(alike.size()));
            put(
                    line,
                    "queued",
                    alike.stream()
                            .map(Roll::queued)
                            .filter(Objects::nonNull)
                            .map(number -> Long.toString(number))
                            .collect(Collectors.joining(",")));
            put(line, "name", Objects.requireNonNullElse(what.name(), ""));
            put(line, "exposures", what.exposures() == null ? "" : Integer.toString(what.exposures()));
            line++;
        }
        Roll.Film first = rolls.get(0).film();
        if (first != null) {
            sent.put("correction", first.correctionSeconds() == 0 ? "" : Integer.toString(first.correctionSeconds()));
            sent.put("madeFor", Objects.requireNonNullElse(first.madeFor(), ""));
            sent.put("backing", (first.carbonBacking() ? Backing.CARBON : Backing.NONE).name());
        }
        if (rolls.stream().anyMatch(Roll::irreplaceable)) {
            sent.put("irreplaceable", "true");
        }
        double stops = rolls.get(0).stops();
        sent.put(
                "push",
                PUSHES.stream()
                        .filter(each -> Double.parseDouble(each) == stops)
                        .findFirst()
                        .orElse("0"));
    }

    /** Puts an owner to every line where nobody was asked for one. */
    public final void ownedBy(String owner) {
        IntStream.range(0, Math.max(LINES, typedLines()))
                .filter(i -> !sent.typed().containsKey(field(i, "owner")))
                .forEach(i -> put(i, "owner", owner));
    }

    /** Reads the film, whatever it goes through; what is refused stands beside its field. */
    public List<Roll> rolls() {
        return rolls(null);
    }

    /** Reads the film for a process; null for any. What is refused stands beside its field. */
    public List<Roll> rolls(@Nullable FilmProcess process) {
        Double stops = sent.read("push", this::stops);
        Integer seconds = sent.read("correction", this::correctionSeconds);
        List<Line> lines = getFilm();
        boolean none = lines.stream().allMatch(line -> line.count().isBlank());
        List<Roll> rolls = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            if ((i == 0 && none) || !lines.get(i).count().isBlank()) {
                rolls.addAll(line(i, lines.get(i), stops == null ? 0 : stops, seconds == null ? 0 : seconds, process));
            }
        }
        if (rolls.size() > RunQuestion.MOST_ROLLS) {
            sent.read("count0", () -> {
                throw Refusal.of(new FormObjection.TooManyRolls());
            });
        }
        return rolls;
    }

    private List<Roll> line(int i, Line line, double stops, int seconds, @Nullable FilmProcess process) {
        Integer count = sent.read("count" + i, () -> count(line.count()));
        boolean known = line.guest().isBlank();
        String owner = sent.read(
                (known ? "owner" : "guest") + i,
                () -> TypedText.of(known ? line.owner() : line.guest(), CHARACTERS, new FormObjection.OwnerMissing()));
        FilmFormat format = sent.read("format" + i, () -> FilmFormat.labelled(line.format()));
        if (count == null || owner == null || format == null) {
            return List.of();
        }
        Integer exposures = line.exposures().isBlank()
                ? null
                : sent.read("exposures" + i, () -> exposures(line.exposures(), format));
        String name = line.name().isBlank()
                ? null
                : sent.read("name" + i, () -> TypedText.of(line.name(), CHARACTERS, new TypedObjection.Missing()));
        FilmProcess said = at("madeFor").isEmpty() ? null : sent.read("madeFor", this::chosenProcess);
        FilmProcess made = said == null || said.equals(process) ? null : said;
        Boolean carbon = process == null
                ? null
                : sent.read("backing", () -> chosenBacking().isCarbon(process, made, format));
        Roll.Film film =
                new Roll.Film(name, exposures, seconds, made == null ? null : made.key(), carbon != null && carbon);
        boolean usual = film.equals(Roll.Film.PLAIN) && !(process != null && process.equals(FilmProcess.CINE_NEGATIVE));
        Roll roll = new Roll(
                owner,
                format,
                exposures == null ? format.equivalents() : format.equivalentsOf(exposures),
                stops,
                ticked("irreplaceable"),
                usual ? null : film);
        List<Long> numbers = line.numbers();
        return IntStream.range(0, count)
                .mapToObj(each -> each < numbers.size() ? roll.queuedAs(numbers.get(each)) : roll)
                .toList();
    }

    private static int exposures(String typed, FilmFormat format) {
        String text = typed.strip();
        if (!text.matches("[0-9]{1,2}")) {
            throw Refusal.of(new FormObjection.NotACount(text));
        }
        int exposures = Integer.parseInt(text);
        format.equivalentsOf(exposures);
        return exposures;
    }

    private FilmProcess chosenProcess() {
        return FilmProcess.KNOWN.stream()
                .filter(process -> process.key().equals(at("madeFor")))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownProcess()));
    }

    private Backing chosenBacking() {
        return TypedChoice.of(Backing.values(), at("backing"), new FormObjection.UnknownBacking());
    }

    private int correctionSeconds() {
        String typed = at("correction").strip();
        String text = typed.replace('−', '-').replaceFirst("^\\+", "").replaceFirst("\\s*s$", "");
        if (text.isEmpty()) {
            return 0;
        }
        if (!text.matches("-?[0-9]{1,3}") || Math.abs(Integer.parseInt(text)) > MOST_CORRECTION) {
            throw Refusal.of(new FormObjection.CorrectionUnlikely(typed, MOST_CORRECTION));
        }
        return Integer.parseInt(text);
    }

    private static int count(String typed) {
        String text = typed.strip();
        if (text.isEmpty()) {
            throw Refusal.of(new RunObjection.RollsMissing());
        }
        if (!text.matches("[0-9]{1,2}")
                || Integer.parseInt(text) < 1
                || Integer.parseInt(text) > RunQuestion.MOST_ROLLS) {
            throw Refusal.of(new FormObjection.NotACount(text));
        }
        return Integer.parseInt(text);
    }

    private double stops() {
        if (!PUSHES.contains(at("push"))) {
            throw Refusal.of(new FormObjection.UnknownPush());
        }
        return Double.parseDouble(at("push"));
    }

    /** The film, the push and the tank as a page’s address carries them. */
    public String query() {
        Query address = new Query();
        for (int i = 0; i < Math.max(LINES, typedLines()); i++) {
            address.with(field(i, "count"), at(i, "count"))
                    .with(field(i, "format"), getFilm().get(i).format())
                    .with(field(i, "owner"), at(i, "owner"));
            for (String name : OF_A_LINE) {
                carry(address, field(i, name), "");
            }
        }
        carry(address, "correction", "");
        carry(address, "madeFor", "");
        carry(address, "backing", Backing.USUAL.name());
        if (ticked("irreplaceable")) {
            address.with("irreplaceable", true);
        }
        return address.with("push", at("push")).with("tank", at("tank")).toString();
    }

    private void carry(Query address, String field, String usual) {
        if (!at(field).isBlank() && !at(field).equals(usual)) {
            address.with(field, at(field));
        }
    }

    /** The id of the tank. */
    public long tankId() {
        return TypedChoice.number(at("tank"), new FormObjection.UnknownTank());
    }

    /** Whether more is said of the film than format and owner. */
    public boolean isMore() {
        return !at("correction").isBlank()
                || !at("backing").equals(Backing.USUAL.name())
                || getFilm().stream()
                        .anyMatch(line ->
                                !line.name().isBlank() || !line.exposures().isBlank());
    }
}

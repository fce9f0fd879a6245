package mezcla.web.film;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/** What a member typed about film, as it was typed. */
public class FilmForm {
    /** Pushes that can be chosen, in stops. */
    public static final List<String> PUSHES = List.of("-2", "-1", "-0.5", "0", "0.5", "1", "1.5", "2", "3");

    /** How many lines of film a form has, unless more film came with it. */
    public static final int LINES = 3;

    /** How many lines of film a form can have. */
    public static final int MOST_LINES = 12;

    private static final int OWNER_CHARACTERS = 60;
    private static final int NAME_CHARACTERS = 60;
    private static final int MOST_CORRECTION = 60;

    private List<FilmLine> film = new ArrayList<>();
    private String push = "0";
    private boolean irreplaceable;
    private String tank = "";
    private String correction = "";
    private String madeFor = "";
    private String backing = Backing.USUAL.name();

    /** A line: whose, which format, how many. */
    public static class FilmLine {
        private @Nullable String owner;
        private String format = FilmFormat.F135_36.label();
        private String count = "";
        private String guest = "";
        private String name = "";
        private String exposures = "";
        private String queued = "";

        /** The numbers of its rolls in the queue, with commas between; empty for film that did not wait there. */
        public String getQueued() {
            return queued;
        }

        public void setQueued(String queued) {
            this.queued = queued;
        }

        private List<Long> numbers() {
            return queued.matches("[0-9]{1,9}(,[0-9]{1,9}){0,23}")
                    ? Stream.of(queued.split(",", -1)).map(Long::valueOf).toList()
                    : List.of();
        }

        /** The name of a guest who is not in the list yet; it counts instead of the owner. */
        public String getGuest() {
            return guest;
        }

        public void setGuest(String guest) {
            this.guest = guest;
        }

        /** What the film is; empty for nothing said. */
        public String getName() {
            return name;
        }

        public void setName(String name) {
            this.name = name;
        }

        /** How many exposures it has; empty for as its format says. */
        public String getExposures() {
            return exposures;
        }

        public void setExposures(String exposures) {
            this.exposures = exposures;
        }

        public String getOwner() {
            return owner == null ? "" : owner;
        }

        public void setOwner(String owner) {
            this.owner = owner;
        }

        public String getFormat() {
            return format;
        }

        public void setFormat(String format) {
            this.format = format;
        }

        public String getCount() {
            return count;
        }

        public void setCount(String count) {
            this.count = count;
        }

        private boolean blank() {
            return count.isBlank();
        }
    }

    /** Begins with one roll of the member's own. */
    public void beginWith(String owner, String smallestTank) {
        padded().get(0).setOwner(owner);
        film.get(0).setCount("1");
        tank = smallestTank;
    }

    /** Begins with film that is known already, a line for each owner and format. */
    public void beginWith(List<Roll> rolls) {
        Map<Roll, List<Roll>> lines = new LinkedHashMap<>();
        rolls.forEach(roll -> lines.computeIfAbsent(roll.queuedAs(null), same -> new ArrayList<>())
                .add(roll));
        film = new ArrayList<>();
        lines.forEach((roll, alike) -> {
            FilmLine typed = new FilmLine();
            typed.setOwner(roll.owner());
            typed.setFormat(roll.format().label());
            typed.setCount(Integer.toString(alike.size()));
            typed.setQueued(alike.stream()
                    .map(Roll::queued)
                    .filter(Objects::nonNull)
                    .map(number -> Long.toString(number))
                    .collect(Collectors.joining(",")));
            Roll.Film what = roll.film() == null ? Roll.Film.PLAIN : roll.film();
            typed.setName(Objects.requireNonNullElse(what.name(), ""));
            typed.setExposures(what.exposures() == null ? "" : Integer.toString(what.exposures()));
            film.add(typed);
        });
        Roll.Film first = rolls.get(0).film();
        if (first != null) {
            correction = first.correctionSeconds() == 0 ? "" : Integer.toString(first.correctionSeconds());
            madeFor = Objects.requireNonNullElse(first.madeFor(), "");
            backing = (first.carbonBacking() ? Backing.CARBON : Backing.NONE).name();
        }
        irreplaceable = rolls.stream().anyMatch(Roll::irreplaceable);
        double stops = rolls.get(0).stops();
        push = PUSHES.stream()
                .filter(each -> Double.parseDouble(each) == stops)
                .findFirst()
                .orElse("0");
        padded();
    }

    /** Puts an owner to every line where nobody was asked for one. */
    public void ownedBy(String owner) {
        padded().stream().filter(line -> line.owner == null).forEach(line -> line.setOwner(owner));
    }

    /** Its lines, filled up with empty ones. */
    public List<FilmLine> padded() {
        while (film.size() < LINES) {
            film.add(new FilmLine());
        }
        return film;
    }

    /** Reads the film, whatever it goes through; what is refused stands beside its field. */
    public List<Roll> rolls(FieldErrors errors) {
        return rolls(errors, null);
    }

    /** Reads the film for a process; null for any. What is refused stands beside its field. */
    public List<Roll> rolls(FieldErrors errors, @Nullable FilmProcess process) {
        Double stops = errors.read("push", this::stops);
        Integer seconds = errors.read("correction", this::correctionSeconds);
        List<Roll> rolls = new ArrayList<>();
        IntStream.range(0, Math.min(MOST_LINES, film.size()))
                .filter(i -> (i == 0 && film.stream().allMatch(FilmLine::blank))
                        || !film.get(i).blank())
                .forEach(i -> rolls.addAll(
                        line(i, stops == null ? 0 : stops, seconds == null ? 0 : seconds, process, errors)));
        if (rolls.size() > RunQuestion.MOST_ROLLS) {
            errors.add("count0", Refusal.of(new FormObjection.TooManyRolls()));
        }
        return rolls;
    }

    private List<Roll> line(int i, double stops, int seconds, @Nullable FilmProcess process, FieldErrors errors) {
        FilmLine line = film.get(i);
        Integer count = errors.read("count" + i, () -> count(line.count));
        String owner = errors.read(
                "owner" + i,
                () -> TypedText.of(
                        line.guest.isBlank() ? line.getOwner() : line.guest,
                        OWNER_CHARACTERS,
                        new FormObjection.OwnerMissing()));
        FilmFormat format = errors.read("format" + i, () -> FilmFormat.labelled(line.format));
        if (count == null || owner == null || format == null) {
            return List.of();
        }
        Integer exposures =
                line.exposures.isBlank() ? null : errors.read("exposures" + i, () -> exposures(line.exposures, format));
        String name = line.name.isBlank()
                ? null
                : errors.read("name" + i, () -> TypedText.of(line.name, NAME_CHARACTERS, new TypedObjection.Missing()));
        FilmProcess said = madeFor.isEmpty() ? null : errors.read("madeFor", this::chosenProcess);
        FilmProcess made = said == null || said.equals(process) ? null : said;
        Boolean carbon = process == null
                ? null
                : errors.read("backing", () -> chosenBacking().isCarbon(process, made, format));
        Roll.Film film =
                new Roll.Film(name, exposures, seconds, made == null ? null : made.key(), carbon != null && carbon);
        boolean usual = film.equals(Roll.Film.PLAIN) && !(process != null && process.equals(FilmProcess.CINE_NEGATIVE));
        Roll roll = new Roll(
                owner,
                format,
                exposures == null ? format.equivalents() : format.equivalentsOf(exposures),
                stops,
                irreplaceable,
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
                .filter(process -> process.key().equals(madeFor))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownProcess()));
    }

    private Backing chosenBacking() {
        return TypedChoice.of(Backing.values(), backing, new FormObjection.UnknownBacking());
    }

    private int correctionSeconds() {
        String text =
                correction.strip().replace('−', '-').replaceFirst("^\\+", "").replaceFirst("\\s*s$", "");
        if (text.isEmpty()) {
            return 0;
        }
        if (!text.matches("-?[0-9]{1,3}") || Math.abs(Integer.parseInt(text)) > MOST_CORRECTION) {
            throw Refusal.of(new FormObjection.CorrectionUnlikely(correction.strip(), MOST_CORRECTION));
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
        if (!PUSHES.contains(push)) {
            throw Refusal.of(new FormObjection.UnknownPush());
        }
        return Double.parseDouble(push);
    }

    /** The film, the push and the tank as a page's address carries them. */
    public String query() {
        UriComponentsBuilder address = UriComponentsBuilder.newInstance();
        for (int i = 0; i < film.size(); i++) {
            address.queryParam("film[" + i + "].count", film.get(i).getCount())
                    .queryParam("film[" + i + "].format", film.get(i).getFormat())
                    .queryParam("film[" + i + "].owner", film.get(i).getOwner());
            if (!film.get(i).guest.isBlank()) {
                address.queryParam("film[" + i + "].guest", film.get(i).guest);
            }
            if (!film.get(i).name.isBlank()) {
                address.queryParam("film[" + i + "].name", film.get(i).name);
            }
            if (!film.get(i).queued.isBlank()) {
                address.queryParam("film[" + i + "].queued", film.get(i).queued);
            }
            if (!film.get(i).exposures.isBlank()) {
                address.queryParam("film[" + i + "].exposures", film.get(i).exposures);
            }
        }
        if (!correction.isBlank()) {
            address.queryParam("correction", correction);
        }
        if (!madeFor.isBlank()) {
            address.queryParam("madeFor", madeFor);
        }
        if (!backing.equals(Backing.USUAL.name())) {
            address.queryParam("backing", backing);
        }
        if (irreplaceable) {
            address.queryParam("irreplaceable", true);
        }
        return Objects.requireNonNull(address.queryParam("push", push)
                .queryParam("tank", tank)
                .encode()
                .build()
                .getQuery());
    }

    /** The id of the tank. */
    public long tankId() {
        if (!tank.matches("[0-9]{1,9}")) {
            throw Refusal.of(new FormObjection.UnknownTank());
        }
        return Long.parseLong(tank);
    }

    public List<FilmLine> getFilm() {
        return film;
    }

    public void setFilm(List<FilmLine> film) {
        this.film = film;
    }

    public String getPush() {
        return push;
    }

    public void setPush(String push) {
        this.push = push;
    }

    /** What the owner adds to the developer's time, in seconds; empty for nothing. */
    public String getCorrection() {
        return correction;
    }

    public void setCorrection(String correction) {
        this.correction = correction;
    }

    /** The key of the process that the film is made for; empty for the one that it goes through. */
    public String getMadeFor() {
        return madeFor;
    }

    public void setMadeFor(String madeFor) {
        this.madeFor = madeFor;
    }

    /** What is said of its backing. */
    public String getBacking() {
        return backing;
    }

    public void setBacking(String backing) {
        this.backing = backing;
    }

    /** Whether more is said of the film than format and owner. */
    public boolean isMore() {
        return !correction.isBlank()
                || !backing.equals(Backing.USUAL.name())
                || film.stream().anyMatch(line -> !line.name.isBlank() || !line.exposures.isBlank());
    }

    /** Whether any of it cannot be made again. */
    public boolean isIrreplaceable() {
        return irreplaceable;
    }

    public void setIrreplaceable(boolean irreplaceable) {
        this.irreplaceable = irreplaceable;
    }

    public String getTank() {
        return tank;
    }

    public void setTank(String tank) {
        this.tank = tank;
    }
}

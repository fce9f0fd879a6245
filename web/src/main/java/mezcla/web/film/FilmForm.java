package mezcla.web.film;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Refusal;
import mezcla.verdict.RunObjection;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedText;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/** What a member typed about film, as it was typed. */
public class FilmForm {
    /** Pushes that can be chosen, in stops. */
    public static final List<String> PUSHES = List.of("-2", "-1", "-0.5", "0", "0.5", "1", "1.5", "2", "3");

    /** How many lines of film a form has. */
    public static final int LINES = 3;

    private static final int MOST_ROLLS = 24;
    private static final int OWNER_CHARACTERS = 60;

    private List<FilmLine> film = new ArrayList<>();
    private String push = "0";
    private boolean irreplaceable;
    private String tank = "";

    /** A line: whose, which format, how many. */
    public static class FilmLine {
        private @Nullable String owner;
        private String format = FilmFormat.F135_36.label();
        private String count = "";

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
        Map<List<String>, Integer> lines = new LinkedHashMap<>();
        rolls.forEach(roll -> lines.merge(List.of(roll.owner(), roll.format().label()), 1, Integer::sum));
        film = new ArrayList<>();
        lines.forEach((line, count) -> {
            FilmLine typed = new FilmLine();
            typed.setOwner(line.get(0));
            typed.setFormat(line.get(1));
            typed.setCount(Integer.toString(count));
            film.add(typed);
        });
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

    /** Reads the film; what is refused stands beside its field. */
    public List<Roll> rolls(FieldErrors errors) {
        Double stops = errors.read("push", this::stops);
        List<Roll> rolls = new ArrayList<>();
        IntStream.range(0, Math.min(LINES, film.size()))
                .filter(i -> (i == 0 && film.stream().allMatch(FilmLine::blank))
                        || !film.get(i).blank())
                .forEach(i -> rolls.addAll(line(i, stops == null ? 0 : stops, errors)));
        if (rolls.size() > MOST_ROLLS) {
            errors.add("count0", Refusal.of(new FormObjection.TooManyRolls()));
        }
        return rolls;
    }

    private List<Roll> line(int i, double stops, FieldErrors errors) {
        FilmLine line = film.get(i);
        Integer count = errors.read("count" + i, () -> count(line.count));
        String owner = errors.read(
                "owner" + i, () -> TypedText.of(line.getOwner(), OWNER_CHARACTERS, new FormObjection.OwnerMissing()));
        FilmFormat format = errors.read("format" + i, () -> FilmFormat.labelled(line.format));
        if (count == null || owner == null || format == null) {
            return List.of();
        }
        return Collections.nCopies(count, new Roll(owner, format, format.equivalents(), stops, irreplaceable));
    }

    private static int count(String typed) {
        String text = typed.strip();
        if (text.isEmpty()) {
            throw Refusal.of(new RunObjection.RollsMissing());
        }
        if (!text.matches("[0-9]{1,2}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > MOST_ROLLS) {
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

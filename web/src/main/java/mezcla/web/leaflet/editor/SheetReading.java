package mezcla.web.leaflet.editor;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedBands;
import mezcla.leaflet.PrintedTemperature;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.SheetLines;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import mezcla.measure.Mass;
import mezcla.measure.Objection;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.TypedChoice;
import mezcla.web.forms.TypedText;
import mezcla.web.words.Figures;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;

/** Reads a sheet as it was typed. Rows and baths that were left empty do not count. */
public final class SheetReading {
    private static final int NAME_CHARACTERS = 60;
    private static final int NOTE_CHARACTERS = 160;
    private static final double MOST_DAYS = 9999;

    private final SheetForm form;
    private final FieldErrors errors = new FieldErrors();
    private final List<String> asides = new ArrayList<>();
    private final List<Part> parts = new ArrayList<>();
    private final List<Bath> baths = new ArrayList<>();
    private boolean whole = true;

    public SheetReading(SheetForm form) {
        this.form = form;
        for (int i = 0; i < form.parts(); i++) {
            readPart("part" + i + "-");
        }
        for (int i = 0; i < form.baths(); i++) {
            readBath(i, "bath" + i + "-");
        }
    }

    /** What could not be read, by field. */
    public FieldErrors errors() {
        return errors;
    }

    /** What is printed oddly: bands that do not follow each other, pairs of degrees that disagree. */
    public List<String> asides() {
        return asides;
    }

    /** Whether every part and bath that was begun could be read. */
    boolean isWhole() {
        return whole;
    }

    /** What of it can be read so far, to be looked over; null where that is no bath yet. */
    @Nullable
    Leaflet sketch() {
        if (baths.isEmpty()) {
            return null;
        }
        try {
            return sheet("sketch", 1, "Sketch", "Somebody", FilmProcess.COLOUR_NEGATIVE, null, makes());
        } catch (Refusal unfinished) {
            return null;
        }
    }

    private double makes() {
        try {
            return Volume.parse(form.at("makes"), Units.shown().volume()).ml();
        } catch (Refusal unfinished) {
            return baths.get(0).recipe().finalMl();
        }
    }

    /**
     * The whole leaflet; null where something could not be read, which then stands beside its field.
     *
     * @param before the leaflet that this is a new version of; null for a new one
     */
    @Nullable
    public Leaflet leaflet(@Nullable Leaflet before) {
        String name =
                errors.read("name", () -> TypedText.of(form.at("name"), NAME_CHARACTERS, new TypedObjection.Missing()));
        String maker = errors.read(
                "maker", () -> TypedText.of(form.at("maker"), NAME_CHARACTERS, new TypedObjection.Missing()));
        FilmProcess process = errors.read("process", this::process);
        String code = form.at("processCode").isBlank()
                ? null
                : errors.read(
                        "processCode",
                        () -> TypedText.of(form.at("processCode"), NAME_CHARACTERS, new TypedObjection.Missing()));
        Volume makes = errors.read("makes", () -> volume("makes"));
        if (parts.isEmpty() && whole) {
            errors.add("part0-name", Refusal.of(new TypedObjection.Missing()));
        }
        if (baths.isEmpty() && whole) {
            errors.add("bath0-role", Refusal.of(new TypedObjection.Missing()));
        }
        errors.read(
                "steps",
                () -> SheetLines.steps(form.at("steps"), baths, Units.shown().temperature()));
        errors.read("examples", () -> SheetLines.examples(form.at("examples"), baths));
        if (name == null || maker == null || process == null || makes == null || !errors.none()) {
            return null;
        }
        return errors.read(
                "name",
                () -> sheet(
                        before == null ? slug(name) : before.key(),
                        before == null ? 1 : before.version() + 1,
                        name,
                        maker,
                        process,
                        code,
                        makes.ml()));
    }

    private Leaflet sheet(
            String key,
            int version,
            String name,
            String maker,
            FilmProcess process,
            @Nullable String code,
            double makesMl) {
        return new Leaflet(
                key,
                version,
                name,
                maker,
                process,
                code,
                makesMl,
                parts,
                baths,
                SheetLines.steps(form.at("steps"), baths, Units.shown().temperature()),
                SheetLines.examples(form.at("examples"), baths));
    }

    private FilmProcess process() {
        String chosen = form.at("process");
        if (chosen.equals(SheetForm.OTHER)) {
            String name = TypedText.of(form.at("processName"), NAME_CHARACTERS, new TypedObjection.Missing());
            return FilmProcess.named(slug(name), name);
        }
        FilmProcess known = FilmProcess.of(chosen);
        if (known.name().equals(chosen)) {
            throw Refusal.of(new FormObjection.UnknownProcess());
        }
        return known;
    }

    private void readPart(String at) {
        if (blank(at + "name", at + "amount", at + "sealed", at + "opened", at + "share")) {
            return;
        }
        Unit unit = errors.read(
                at + "unit",
                () -> TypedChoice.of(Unit.values(), form.at(at + "unit"), new FormObjection.UnknownUnit()));
        String name = errors.read(
                at + "name", () -> TypedText.of(form.at(at + "name"), NAME_CHARACTERS, new TypedObjection.Missing()));
        Double amount = unit == null ? null : errors.read(at + "amount", () -> amount(at + "amount", unit));
        Double sealed = optional(at + "sealed", () -> days(at + "sealed"));
        Double opened = optional(at + "opened", () -> days(at + "opened"));
        Double share = optional(at + "share", () -> percent(at + "share") / 100);
        if (unit == null || name == null || amount == null) {
            whole = false;
            return;
        }
        String key = form.at(at + "key").isBlank() ? slug(name) : form.at(at + "key");
        if (parts.stream()
                .anyMatch(part -> part.key().equals(key) || part.name().equalsIgnoreCase(name))) {
            errors.add(at + "name", Refusal.of(new FormObjection.NameTaken(name)));
            whole = false;
            return;
        }
        parts.add(new Part(key, name, amount, unit, !form.at(at + "air").isEmpty(), sealed, opened, share));
    }

    private void readBath(int number, String at) {
        if (form.at(at + "role").isEmpty() && blank(at + "time", at + "makes", at + "water", at + "at")) {
            return;
        }
        BathRole role = errors.read(at + "role", () -> role(at));
        Recipe recipe = recipe(number, at);
        Timing timing = timing(at);
        Double rotary = optional(at + "rotary", () -> time(at + "rotary"));
        Double capacityFor = form.at(at + "capacityFor").isBlank()
                ? recipe == null ? null : recipe.finalMl()
                : errors.read(
                        at + "capacityFor", () -> volume(at + "capacityFor").ml());
        Range capacity = optional(at + "capacity", () -> SheetLines.range(form.at(at + "capacity")));
        Range life = optional(at + "life", () -> SheetLines.life(form.at(at + "life")));
        Bath.OneShot oneShot = optional(at + "oneShot", () -> SheetLines.dilution(form.at(at + "oneShot")));
        if (role == null || recipe == null || timing == null || capacityFor == null) {
            whole = false;
            return;
        }
        baths.add(new Bath(key(at, role), role, recipe, timing, capacityFor, capacity, life, oneShot, rotary));
    }

    private String key(String at, BathRole role) {
        Set<String> taken = new HashSet<>(baths.stream().map(Bath::key).toList());
        String typed = form.at(at + "key");
        String wanted = typed.isBlank() || taken.contains(typed) ? role.key() : typed;
        String key = wanted;
        for (int i = 2; taken.contains(key); i++) {
            key = wanted + "-" + i;
        }
        return key;
    }

    private BathRole role(String at) {
        String chosen = form.at(at + "role");
        if (chosen.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        if (!chosen.equals(SheetForm.OTHER)) {
            return BathRole.of(chosen);
        }
        String name = TypedText.of(form.at(at + "roleName"), NAME_CHARACTERS, new TypedObjection.Missing());
        String letters = form.at(at + "letters").strip();
        if (!letters.matches("[A-Z][A-Za-z0-9]")) {
            throw Refusal.of(new FormObjection.NotLetters());
        }
        return BathRole.named(slug(name), name, letters);
    }

    private @Nullable Recipe recipe(int number, String at) {
        Recipe.Mode mode = errors.read(
                at + "mode",
                () -> TypedChoice.of(Recipe.Mode.values(), form.at(at + "mode"), new FormObjection.UnknownMode()));
        String made = form.at(at + "makes").isBlank() ? "makes" : at + "makes";
        Volume makes = errors.read(at + "makes", () -> volume(made));
        boolean waterless =
                mode == Recipe.Mode.READY_TO_USE || form.at(at + "water").isBlank();
        Double water = waterless
                ? Double.valueOf(0)
                : errors.read(at + "water", () -> volume(at + "water").ml());
        Recipe.MixingTemperature mixing = mixing(at);
        List<Addition> additions = new ArrayList<>();
        boolean all = true;
        for (int i = 0; i < form.additions(number); i++) {
            String row = at + "add" + i + "-";
            if (!blank(row + "part", row + "amount", row + "wait", row + "note")) {
                Addition addition = addition(row);
                all &= addition != null;
                if (addition != null) {
                    additions.add(addition);
                }
            }
        }
        return mode == null || makes == null || water == null || !all
                ? null
                : new Recipe(mode, makes.ml(), water, mixing, additions);
    }

    private Recipe.@Nullable MixingTemperature mixing(String at) {
        if (blank(at + "mixLeast", at + "mixBest", at + "mixMost")) {
            return null;
        }
        Double least = errors.read(at + "mixLeast", () -> celsius(at + "mixLeast"));
        Double best = errors.read(at + "mixBest", () -> celsius(at + "mixBest"));
        Double most = errors.read(at + "mixMost", () -> celsius(at + "mixMost"));
        if (least == null || best == null || most == null) {
            return null;
        }
        if (!(least <= best && best <= most)) {
            errors.add(at + "mixBest", Refusal.of(new FormObjection.MixingTemperaturesMixedUp()));
        }
        return new Recipe.MixingTemperature(least, best, most);
    }

    private @Nullable Addition addition(String row) {
        String name = form.at(row + "part").strip();
        Part part = errors.read(row + "part", () -> parts.stream()
                .filter(each -> each.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        name.isEmpty() ? new TypedObjection.Missing() : new FormObjection.NoSuchPart(name))));
        Double amount = part == null ? null : errors.read(row + "amount", () -> amount(row + "amount", part.unit()));
        Addition.Care care = errors.read(
                row + "care",
                () -> TypedChoice.of(Addition.Care.values(), form.at(row + "care"), new FormObjection.UnknownCare()));
        Integer wait = optional(row + "wait", () -> minutes(row + "wait"));
        String note = optional(
                row + "note", () -> TypedText.of(form.at(row + "note"), NOTE_CHARACTERS, new TypedObjection.Missing()));
        return part == null || amount == null || care == null
                ? null
                : new Addition(part.key(), amount, part.unit(), care, wait, note);
    }

    private @Nullable Timing timing(String at) {
        Double base = errors.read(at + "time", () -> time(at + "time"));
        Double atC = errors.read(at + "at", () -> celsius(at + "at"));
        Range within = atC == null
                ? null
                : errors.read(
                        at + "within",
                        () -> SheetLines.tolerance(
                                form.at(at + "within"), atC, Units.shown().temperature()));
        Exhaustion exhaustion = exhaustion(at);
        List<Timing.Push> push = errors.read(at + "push", () -> SheetLines.pushes(form.at(at + "push")));
        List<Timing.TimeAt> table = errors.read(
                at + "table",
                () -> SheetLines.temperatureTable(
                        form.at(at + "table"), Units.shown().temperature()));
        if (base == null || atC == null || within == null || exhaustion == null || push == null || table == null) {
            return null;
        }
        return errors.read(
                at + "within", () -> new Timing(base, atC, within.min(), within.max(), exhaustion, push, table));
    }

    private @Nullable Exhaustion exhaustion(String at) {
        return switch (form.at(at + "wear")) {
            case "per-roll" -> {
                Double percent = errors.read(at + "percent", () -> percent(at + "percent"));
                yield percent == null ? null : new Exhaustion.PerRoll(percent);
            }
            case "steps" ->
                errors.read(at + "bands", () -> {
                    PrintedBands bands = SheetLines.bands(form.at(at + "bands"));
                    bands.seams().forEach(seam -> asides.add(seam(seam)));
                    return bands.steps();
                });
            default -> new Exhaustion.Fixed();
        };
    }

    private static String seam(PrintedBands.Seam seam) {
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

    private boolean blank(String... fields) {
        return java.util.Arrays.stream(fields).allMatch(field -> form.at(field).isBlank());
    }

    private <T> @Nullable T optional(String field, Supplier<T> reading) {
        return form.at(field).isBlank() ? null : errors.read(field, reading);
    }

    private Volume volume(String field) {
        return Volume.parse(form.at(field), Units.shown().volume());
    }

    private double amount(String field, Unit unit) {
        return unit == Unit.G
                ? Mass.parse(form.at(field)).grams()
                : volume(field).ml();
    }

    private double time(String field) {
        return ProcessingTime.parse(form.at(field)).seconds();
    }

    private double celsius(String field) {
        Temperature.Scale shown = Units.shown().temperature();
        PrintedTemperature read = PrintedTemperature.parse(form.at(field), shown);
        Double other = read.disagrees();
        if (other != null) {
            asides.add("“%s” says two things: %s and %s. The first counts."
                    .formatted(form.at(field).strip(), Figures.celsius(read.celsius()), Figures.celsius(other)));
        }
        return read.celsius();
    }

    private double days(String field) {
        String text = form.at(field).strip();
        try {
            Range life = SheetLines.life(text);
            if (life.min() == life.max() && life.max() <= MOST_DAYS) {
                return life.max();
            }
        } catch (Refusal refusal) {
            throw Refusal.of(new FormObjection.NotDays(text));
        }
        throw Refusal.of(new FormObjection.NotDays(text));
    }

    private double percent(String field) {
        return number(field, FormObjection.NotAPercentage::new, 100);
    }

    private double number(String field, Function<String, Objection> otherwise, double most) {
        String text = form.at(field).strip().replaceAll("\\s*(%|days?)$", "");
        if (!text.matches("[0-9]{1,4}([.,][0-9]{1,2})?")) {
            throw Refusal.of(otherwise.apply(form.at(field).strip()));
        }
        double value = Double.parseDouble(text.replace(',', '.'));
        if (value <= 0 || value > most) {
            throw Refusal.of(otherwise.apply(form.at(field).strip()));
        }
        return value;
    }

    private int minutes(String field) {
        String text = form.at(field).strip();
        if (!text.matches("[1-9][0-9]{0,2}") || Integer.parseInt(text) > 240) {
            throw Refusal.of(new FormObjection.NotMinutes(text));
        }
        return Integer.parseInt(text);
    }

    /** A key of a name: small letters, digits and hyphens. */
    static String slug(String name) {
        String plain = java.text.Normalizer.normalize(name, java.text.Normalizer.Form.NFD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        return plain.isEmpty()
                ? "unnamed"
                : plain.substring(0, Math.min(plain.length(), 50)).replaceAll("-$", "");
    }
}

package mezcla.web.sheets.typed;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import mezcla.leaflet.Addition;
import mezcla.leaflet.Bath;
import mezcla.leaflet.BathRole;
import mezcla.leaflet.Exhaustion;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletCheck;
import mezcla.leaflet.LeafletObjection;
import mezcla.leaflet.MixingTemperature;
import mezcla.leaflet.Part;
import mezcla.leaflet.PrintedAmount;
import mezcla.leaflet.PrintedBands;
import mezcla.leaflet.PrintedExample;
import mezcla.leaflet.PrintedMovement;
import mezcla.leaflet.PrintedTemperature;
import mezcla.leaflet.PrintedTime;
import mezcla.leaflet.ProcessStep;
import mezcla.leaflet.Range;
import mezcla.leaflet.Recipe;
import mezcla.leaflet.SheetLines;
import mezcla.leaflet.StepClock;
import mezcla.leaflet.Timing;
import mezcla.leaflet.Unit;
import mezcla.measure.Refusal;
import mezcla.measure.Slack;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.sheets.lines.UnfoldedSheet;
import mezcla.web.sheets.told.SheetWords;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;

/**
 * Reads a sheet as it was typed, field by field, so that one that cannot be read spoils no other. What is empty and has
 * to be there is missing, which is no fault.
 */
public final class SheetReading {
    private static final int NAME_CHARACTERS = 60;
    private static final int NOTE_CHARACTERS = 160;
    private static final String OUNCES = "(?i)\\s*(oz|ounces?)\\.?$";
    private static final double MOST_DAYS = 9999;

    private final UnfoldedSheet unfolded;
    private final SheetForm form;
    private final FieldErrors errors = new FieldErrors();
    private final Map<String, String> missing = new LinkedHashMap<>();
    private final List<SheetRemark> asides = new ArrayList<>();
    private final Map<Integer, Part> parts = new LinkedHashMap<>();
    private final Map<Integer, Bath> baths = new LinkedHashMap<>();
    private final @Nullable String name;
    private final @Nullable String maker;
    private final @Nullable FilmProcess process;
    private final @Nullable Volume makes;
    private final @Nullable String code;
    private final @Nullable StepClock clock;
    private List<ProcessStep> steps = List.of();
    private List<PrintedExample> examples = List.of();
    private @Nullable PrintedTemperature first;

    public SheetReading(SheetForm typed) {
        unfolded = typed.unfolded();
        form = new SheetForm(unfolded.typed());
        name = words("name", "The name of the kit");
        maker = words("maker", "Who makes it");
        process = errors.read("process", this::process);
        code = optional(
                "processCode",
                () -> TypedText.of(form.at("processCode"), NAME_CHARACTERS, new TypedObjection.Missing()));
        makes = required("makes", "How much the kit makes", () -> volume("makes"));
        clock = optional(
                "clock", () -> TypedChoice.of(StepClock.values(), form.at("clock"), new FormObjection.UnknownClock()));
        for (int i = 0; i < form.parts(); i++) {
            readPart(i, "part" + i + "-");
        }
        if (form.bathRows().isEmpty()) {
            missing.put("bath0-role", "What the first bath is");
        }
        form.bathRows().forEach(i -> readBath(i, "bath" + i + "-"));
        Temperature.Scale scale = form.units().temperature();
        List<Bath> there = List.copyOf(baths.values());
        boolean whole = baths.size() == form.bathRows().size();
        if (whole || !form.at("steps").isBlank()) {
            List<ProcessStep> read =
                    whole ? errors.read("steps", () -> SheetLines.steps(form.at("steps"), there, scale)) : null;
            steps = read == null ? List.of() : read;
        }
        if (whole) {
            List<PrintedExample> read = errors.read("examples", () -> SheetLines.examples(form.at("examples"), there));
            examples = read == null ? List.of() : read;
        }
    }

    /** What could not be read, by the field into which somebody typed it. */
    public FieldErrors errors() {
        FieldErrors typed = new FieldErrors();
        errors.all().forEach((field, sentence) -> typed.say(unfolded.typedInto(field), sentence));
        return typed;
    }

    /** The sheet with each figure in its own field. */
    public SheetForm unfolded() {
        return form;
    }

    /** The row of a bath that was read. */
    public @Nullable Bath bath(int row) {
        return baths.get(row);
    }

    /** Whether every part and bath that was begun could be read. */
    public boolean isWhole() {
        return baths.size() == form.bathRows().size() && missing.isEmpty();
    }

    /** What of it can be read so far, to be looked over; null where that is no bath yet. */
    public @Nullable Leaflet sketch() {
        if (baths.isEmpty()) {
            return null;
        }
        try {
            return sheet(
                    "sketch",
                    1,
                    name == null ? "Sketch" : name,
                    maker == null ? "Somebody" : maker,
                    process == null ? FilmProcess.COLOUR_NEGATIVE : process,
                    makes == null ? baths.values().iterator().next().recipe().finalMl() : makes.ml());
        } catch (Refusal unfinished) {
            return null;
        }
    }

    /**
     * The whole leaflet.
     *
     * @param before the leaflet that this is a new version of; null for a new one
     * @return it; null where something is missing or could not be read, which {@link #remarks} then says
     */
    public @Nullable Leaflet leaflet(@Nullable Leaflet before) {
        if (name == null || maker == null || process == null || makes == null || !missing.isEmpty() || !errors.none()) {
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
                        makes.ml()));
    }

    private Leaflet sheet(
            String key, int version, String kitName, String kitMaker, FilmProcess family, double makesMl) {
        return new Leaflet(
                key,
                version,
                kitName,
                kitMaker,
                family,
                code,
                makesMl,
                List.copyOf(parts.values()),
                List.copyOf(baths.values()),
                steps,
                clock,
                examples);
    }

    /** Everything that is to be said about it: faults first, then what is missing, then what is odd. */
    public List<SheetRemark> remarks() {
        List<SheetRemark> all = new ArrayList<>();
        errors.all()
                .forEach((field, sentence) -> all.add(new SheetRemark(
                        SheetRemark.Kind.FAULT,
                        unfolded.typedInto(field),
                        "%s: %s".formatted(labelOf(field), sentence))));
        missing.forEach(
                (field, what) -> all.add(new SheetRemark(SheetRemark.Kind.MISSING, field, what + " is missing.")));
        asides.forEach(
                aside -> all.add(new SheetRemark(aside.kind(), unfolded.typedInto(aside.field()), aside.sentence())));
        Leaflet sketch = sketch();
        if (sketch != null) {
            LeafletCheck.of(sketch).stream()
                    .filter(remark -> isWhole() || remark.bath() != null)
                    .forEach(remark -> all.add(new SheetRemark(
                            remark.isOnlySaid() ? SheetRemark.Kind.SAID : SheetRemark.Kind.QUESTION,
                            unfolded.typedInto(fieldOf(remark)),
                            SheetWords.remark(remark))));
        }
        return all;
    }

    /** What is said about a field of the sheet, at that field; without naming it again. */
    public Map<String, String> sentences() {
        Map<String, String> byField = new HashMap<>();
        FieldErrors refused = errors();
        remarks().stream()
                .filter(remark -> remark.kind() != SheetRemark.Kind.MISSING)
                .forEach(remark -> byField.merge(
                        remark.field(),
                        switch (remark.kind()) {
                            case FAULT -> String.valueOf(refused.at(remark.field()));
                            case SAID -> "Not printed? Then the house’s own counts.";
                            default -> remark.sentence();
                        },
                        (earlier, later) -> earlier + " " + later));
        return byField;
    }

    private String fieldOf(LeafletCheck.Remark remark) {
        if (remark.code() == LeafletCheck.Code.BATH_MISSING) {
            return "bath0-role";
        }
        if (remark.code() == LeafletCheck.Code.STEP_MISSING) {
            return "steps";
        }
        Part part = remark.part();
        Bath bath = remark.bath();
        if (part != null) {
            String row = "part"
                    + parts.entrySet().stream()
                            .filter(each -> each.getValue().equals(part))
                            .map(Map.Entry::getKey)
                            .findFirst()
                            .orElse(0);
            return row
                    + switch (remark.code()) {
                        case OPENED_OUTLASTS_SEALED -> "-opened";
                        case PART_OF_ANOTHER_BATH -> "-name";
                        default -> "-amount";
                    };
        }
        if (bath == null) {
            return "part0-share";
        }
        String row = "bath"
                + baths.entrySet().stream()
                        .filter(each -> each.getValue().key().equals(bath.key()))
                        .map(Map.Entry::getKey)
                        .findFirst()
                        .orElse(0)
                + "-";
        return row
                + switch (remark.code()) {
                    case BATH_WITHOUT_PARTS, RECIPE_OVERSHOOTS, RECIPE_MAKES_OTHER_VOLUME -> "water";
                    case CAPACITY_BEYOND_STEPS, CAPACITY_NOT_PRINTED -> "capacity";
                    case CAPACITY_FOR_OTHER_VOLUME -> "capacityFor";
                    case STEPS_FALL -> "bands";
                    case DEVELOPER_TOLERANCE, TOLERANCE_NOT_PRINTED -> "within";
                    case TABLE_RISES, TABLE_CONTRADICTS -> "table";
                    case SHORT_TIME, LONG_TIME -> "time";
                    case TEMPERATURE_ODD -> "at";
                    case LIFE_NOT_PRINTED -> "life";
                    default -> "role";
                };
    }

    /** What a field is, in words, to be named where it does not stand. */
    private String labelOf(String field) {
        if (field.startsWith("part")) {
            return SheetWords.start(form.partName(rowIn(field)));
        }
        if (field.startsWith("bath")) {
            String bath = form.bathName(rowIn(field));
            String last = field.substring(field.lastIndexOf('-') + 1);
            return bath + ", " + SheetWords.field(last);
        }
        return SheetWords.start(SheetWords.field(field));
    }

    private static int rowIn(String field) {
        return Integer.parseInt(field.replaceAll("^[a-z]+([0-9]+)-.*$", "$1"));
    }

    private FilmProcess process() {
        String chosen = form.at("process");
        if (chosen.equals(SheetForm.OTHER)) {
            String named = TypedText.of(form.at("processName"), NAME_CHARACTERS, new TypedObjection.Missing());
            return FilmProcess.named(slug(named), named);
        }
        FilmProcess known = FilmProcess.of(chosen);
        if (known.name().equals(chosen)) {
            throw Refusal.of(new FormObjection.UnknownProcess());
        }
        return known;
    }

    private void readPart(int row, String at) {
        if (blank(at + "name", at + "amount", at + "sealed", at + "opened", at + "vials", at + "share")) {
            return;
        }
        String partName = words(at + "name", "The name of " + form.partName(row));
        PrintedAmount amount = required(
                at + "amount",
                "How much " + form.partName(row) + " the box holds",
                () -> PrintedAmount.parse(form.at(at + "amount"), form.units().volume()));
        weightOrVolume(at + "amount");
        Double sealed = optional(at + "sealed", () -> days(at + "sealed"));
        Double opened = optional(at + "opened", () -> days(at + "opened"));
        Double vials = optional(at + "vials", () -> days(at + "vials"));
        Double share = optional(at + "share", () -> SheetLines.percent(form.at(at + "share")) / 100);
        if (partName == null || amount == null) {
            return;
        }
        if (parts.values().stream().anyMatch(part -> part.name().equalsIgnoreCase(partName))) {
            errors.add(at + "name", Refusal.of(new FormObjection.NameTaken(partName)));
            return;
        }
        Set<String> taken = new HashSet<>(parts.values().stream().map(Part::key).toList());
        parts.put(
                row,
                new Part(
                        free(form.at(at + "key").isBlank() ? slug(partName) : form.at(at + "key"), taken),
                        partName,
                        amount.value(),
                        amount.unit(),
                        !form.at(at + "air").isEmpty(),
                        sealed,
                        opened,
                        vials,
                        share));
    }

    private void readBath(int row, String at) {
        BathRole role = errors.read(at + "role", () -> role(at));
        Recipe recipe = recipe(row, at);
        Timing timing = timing(row, at, role);
        Double rotary = optional(
                at + "rotary", () -> PrintedTime.parse(form.at(at + "rotary")).seconds());
        Double capacityFor = form.at(at + "capacityFor").isBlank()
                ? recipe == null ? null : recipe.finalMl()
                : errors.read(
                        at + "capacityFor", () -> volume(at + "capacityFor").ml());
        Range capacity = optional(at + "capacity", () -> SheetLines.range(form.at(at + "capacity")));
        Range life = optional(at + "life", () -> life(at + "life"));
        Bath.OneShot oneShot = optional(at + "oneShot", () -> SheetLines.dilution(form.at(at + "oneShot")));
        PrintedMovement movement = optional(at + "moved", () -> PrintedMovement.parse(form.at(at + "moved")));
        if (role == null || recipe == null || timing == null || capacityFor == null) {
            return;
        }
        Set<String> taken = new HashSet<>(baths.values().stream().map(Bath::key).toList());
        String typedKey = form.at(at + "key");
        baths.put(
                row,
                new Bath(
                        free(typedKey.isBlank() || taken.contains(typedKey) ? role.key() : typedKey, taken),
                        role,
                        recipe,
                        timing,
                        capacityFor,
                        capacity,
                        life,
                        oneShot,
                        rotary,
                        movement));
    }

    private static String free(String wanted, Set<String> taken) {
        String key = wanted;
        for (int i = 2; taken.contains(key); i++) {
            key = wanted + "-" + i;
        }
        return key;
    }

    private BathRole role(String at) {
        String chosen = form.at(at + "role");
        if (!chosen.equals(SheetForm.OTHER)) {
            return BathRole.of(chosen);
        }
        String named = TypedText.of(form.at(at + "roleName"), NAME_CHARACTERS, new TypedObjection.Missing());
        String letters = form.at(at + "letters").strip();
        if (!letters.matches("[A-Z][A-Za-z0-9]")) {
            throw Refusal.of(new FormObjection.NotLetters());
        }
        return BathRole.named(slug(named), named, letters);
    }

    private @Nullable Recipe recipe(int row, String at) {
        Recipe.Mode mode = errors.read(
                at + "mode",
                () -> TypedChoice.of(Recipe.Mode.values(), form.at(at + "mode"), new FormObjection.UnknownMode()));
        Volume made = form.at(at + "makes").isBlank() ? makes : errors.read(at + "makes", () -> volume(at + "makes"));
        SheetLines.StartWater water = mode == Recipe.Mode.READY_TO_USE
                ? new SheetLines.StartWater(0, 0)
                : required(
                        at + "water",
                        "The water that the " + named(row) + " starts with",
                        () -> SheetLines.startWater(
                                form.at(at + "water"), form.units().volume()));
        MixingTemperature mixing = optional(
                at + "mixing",
                () -> MixingTemperature.parse(
                        form.at(at + "mixing"), form.units().temperature()));
        aside(at + "mixing");
        List<Addition> additions = new ArrayList<>();
        boolean all = true;
        for (int i = 0; i < form.additions(row); i++) {
            String line = at + "add" + i + "-";
            Part part = partOf(line);
            if (part == null) {
                all &= isNoPart(line);
                continue;
            }
            Addition addition = addition(line, part, made);
            all &= addition != null;
            if (addition != null) {
                additions.add(addition);
            }
        }
        return mode == null || made == null || water == null || !all
                ? null
                : new Recipe(mode, made.ml(), water.leastMl(), mostWater(at, mode, water), mixing, additions);
    }

    /** Where topping up follows, a range of water stays one; where the water is fixed, it can be one figure only. */
    private @Nullable Double mostWater(String at, Recipe.Mode mode, SheetLines.StartWater water) {
        if (water.mostMl() <= water.leastMl()) {
            return null;
        }
        if (mode == Recipe.Mode.TOP_UP) {
            return water.mostMl();
        }
        asides.add(new SheetRemark(
                SheetRemark.Kind.QUESTION,
                at + "water",
                "Nothing is topped up here, so the water decides the strength: the first figure counts."));
        return null;
    }

    private @Nullable Part partOf(String line) {
        String chosen = form.at(line + "part");
        if (chosen.isEmpty()) {
            return null;
        }
        if (!chosen.matches("[0-9]{1,2}") || Integer.parseInt(chosen) >= form.parts()) {
            errors.add(line + "part", Refusal.of(new FormObjection.PartNotInTheBox()));
            return null;
        }
        return parts.get(Integer.valueOf(chosen));
    }

    /** Whether a row names no part at all, or one that nobody typed anything of: then it does not count. */
    private boolean isNoPart(String line) {
        String chosen = form.at(line + "part");
        return chosen.isEmpty() || blank("part" + chosen + "-name", "part" + chosen + "-amount");
    }

    /** Ounces without more are read as a weight; a liquid would be measured in fluid ounces. */
    private void weightOrVolume(String field) {
        String typed = form.at(field).strip();
        if (PrintedAmount.isPlainOunce(typed) && errors.at(field) == null) {
            double grams = PrintedAmount.in(typed, Unit.G, Volume.Unit.ML);
            double ml = Volume.parse(typed.replaceAll(OUNCES, " fl oz"), Volume.Unit.ML)
                    .ml();
            asides.add(new SheetRemark(
                    SheetRemark.Kind.QUESTION,
                    field,
                    "“%s” is read as a weight, %s g. If it is a liquid, type %s, which is %s."
                            .formatted(
                                    typed,
                                    Figures.plain(grams, 1),
                                    typed.replaceAll(OUNCES, " fl oz"),
                                    Figures.ml(ml))));
        }
    }

    private @Nullable Addition addition(String line, Part part, @Nullable Volume made) {
        Double amount = form.at(line + "amount").isBlank()
                ? made == null || makes == null ? null : Double.valueOf(part.amount() * made.ml() / makes.ml())
                : errors.read(
                        line + "amount",
                        () -> PrintedAmount.in(
                                form.at(line + "amount"),
                                part.unit(),
                                form.units().volume()));
        Addition.Care care = form.at(line + "care").isEmpty()
                ? Addition.Care.NORMAL
                : errors.read(
                        line + "care",
                        () -> TypedChoice.of(
                                Addition.Care.values(), form.at(line + "care"), new FormObjection.UnknownCare()));
        boolean bySight = SheetLines.isUntilSeen(form.at(line + "wait"));
        Integer wait = bySight ? null : optional(line + "wait", () -> (int) SheetLines.minutes(form.at(line + "wait")));
        String said = bySight
                ? form.at(line + "wait").strip()
                        + (form.at(line + "note").isBlank() ? "" : "; " + form.at(line + "note"))
                : form.at(line + "note");
        String note = said.isBlank()
                ? null
                : errors.read(line + "note", () -> TypedText.of(said, NOTE_CHARACTERS, new TypedObjection.Missing()));
        weightOrVolume(line + "amount");
        Double after =
                optional(line + "waterAfter", () -> volume(line + "waterAfter").ml());
        return amount == null || care == null
                ? null
                : new Addition(part.key(), amount, part.unit(), care, wait, note, after == null ? 0 : after);
    }

    private @Nullable Timing timing(int row, String at, @Nullable BathRole role) {
        PrintedTime base =
                required(at + "time", "The time of the " + named(row), () -> PrintedTime.parse(form.at(at + "time")));
        PrintedTemperature warmth = warmth(row, at, role);
        Range within = warmth == null || role == null || form.at(at + "within").isBlank()
                ? null
                : errors.read(
                        at + "within",
                        () -> SheetLines.tolerance(
                                form.at(at + "within"),
                                warmth.celsius(),
                                form.units().temperature()));
        Exhaustion exhaustion = exhaustion(at);
        List<Timing.Push> push = errors.read(
                at + "push", () -> SheetLines.pushes(form.at(at + "push"), base == null ? 1 : base.seconds()));
        List<Timing.TimeAt> table = errors.read(
                at + "table",
                () -> SheetLines.temperatureTable(
                        form.at(at + "table"), form.units().temperature()));
        boolean unread = within == null && !form.at(at + "within").isBlank();
        if (base == null
                || warmth == null
                || role == null
                || unread
                || exhaustion == null
                || push == null
                || table == null) {
            return null;
        }
        Double least = within == null ? warmth.leastC() : Double.valueOf(within.min());
        Double most = within == null ? warmth.mostC() : Double.valueOf(within.max());
        double usual = role.usualToleranceC();
        return errors.read(
                at + "within",
                () -> new Timing(
                        base.seconds(),
                        base.mostSeconds(),
                        warmth.celsius(),
                        least == null ? warmth.celsius() - usual : least,
                        most == null ? warmth.celsius() + usual : most,
                        least != null && most != null,
                        exhaustion,
                        push,
                        table));
    }

    /** Where a sheet prints one temperature, it holds for all; what any temperature does for is used as warm as the room. */
    private @Nullable PrintedTemperature warmth(int row, String at, @Nullable BathRole role) {
        if (form.at(at + "at").isBlank()) {
            if (role != null && role.toleratesAnyTemperature()) {
                return PrintedTemperature.ROOM;
            }
            if (first == null && form.bathRows().indexOf(row) == 0) {
                missing.put(at + "at", "How warm the " + named(row) + " is");
            }
            return first == null ? null : rangeOfItsOwn(at, first);
        }
        PrintedTemperature read = errors.read(
                at + "at",
                () -> PrintedTemperature.parse(form.at(at + "at"), form.units().temperature()));
        aside(at + "at");
        if (first == null) {
            first = read;
        }
        return read;
    }

    /** As the first bath; a range that this lies outside of is a bath's own, and no tolerance. */
    private PrintedTemperature rangeOfItsOwn(String at, PrintedTemperature before) {
        PrintedTemperature same = new PrintedTemperature(before.celsius(), null, null, null);
        try {
            PrintedTemperature range = PrintedTemperature.parse(
                    form.at(at + "within"), form.units().temperature());
            Double least = range.leastC();
            Double most = range.mostC();
            boolean outside = least != null
                    && most != null
                    && (Slack.exceeds(least, before.celsius()) || Slack.exceeds(before.celsius(), most));
            return outside ? range : same;
        } catch (Refusal noRange) {
            return same;
        }
    }

    private void aside(String field) {
        PrintedTemperature read;
        try {
            read = PrintedTemperature.parse(form.at(field), form.units().temperature());
        } catch (Refusal unreadable) {
            return;
        }
        Double other = read.disagrees();
        if (other != null) {
            asides.add(new SheetRemark(
                    SheetRemark.Kind.QUESTION,
                    field,
                    "“%s” says two things: %s and %s. The first counts."
                            .formatted(
                                    form.at(field).strip(), Figures.celsius(read.celsius()), Figures.celsius(other))));
        }
    }

    private @Nullable Exhaustion exhaustion(String at) {
        Exhaustion.Steps bands = optional(at + "bands", () -> bands(at));
        String way = form.at(at + "wear");
        if (!Set.of("", "steps", "per-roll", "fixed").contains(way)) {
            errors.add(at + "wear", Refusal.of(new FormObjection.UnknownWear()));
            return null;
        }
        boolean byBands = way.isEmpty() || way.equals("steps");
        if (bands != null && !byBands) {
            asides.add(new SheetRemark(
                    SheetRemark.Kind.QUESTION,
                    at + "wear",
                    "Times by rolls are typed as well. They count only while “by the lines above” is chosen."));
        }
        if (way.equals("per-roll")) {
            Double percent = required(
                    at + "percent", "How much more for every roll", () -> SheetLines.percent(form.at(at + "percent")));
            return percent == null ? null : new Exhaustion.PerRoll(percent);
        }
        if (byBands && !form.at(at + "bands").isBlank()) {
            return bands;
        }
        return new Exhaustion.Fixed();
    }

    private Exhaustion.Steps bands(String at) {
        PrintedBands bands = SheetLines.bands(form.at(at + "bands"));
        bands.seams()
                .forEach(seam ->
                        asides.add(new SheetRemark(SheetRemark.Kind.QUESTION, at + "bands", SheetWords.seam(seam))));
        return bands.steps();
    }

    private String named(int bath) {
        return form.bathName(bath).toLowerCase(Locale.ROOT);
    }

    private boolean blank(String... fields) {
        return java.util.Arrays.stream(fields).allMatch(field -> form.at(field).isBlank());
    }

    private @Nullable String words(String field, String what) {
        return required(field, what, () -> TypedText.of(form.at(field), NAME_CHARACTERS, new TypedObjection.Missing()));
    }

    private <T> @Nullable T required(String field, String what, Supplier<T> reading) {
        if (form.at(field).isBlank()) {
            missing.put(field, what);
            return null;
        }
        return errors.read(field, reading);
    }

    private <T> @Nullable T optional(String field, Supplier<T> reading) {
        return form.at(field).isBlank() ? null : errors.read(field, reading);
    }

    private Volume volume(String field) {
        return Volume.parse(form.at(field), form.units().volume());
    }

    private double days(String field) {
        return life(field).max();
    }

    private Range life(String field) {
        Range life = SheetLines.life(form.at(field));
        if (life.max() > MOST_DAYS) {
            throw Refusal.of(new LeafletObjection.NotARange(form.at(field).strip()));
        }
        return life;
    }

    /** A key of a name: small letters, digits and hyphens. */
    public static String slug(String name) {
        String plain = java.text.Normalizer.normalize(name, java.text.Normalizer.Form.NFD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        return plain.isEmpty()
                ? "unnamed"
                : plain.substring(0, Math.min(plain.length(), 50)).replaceAll("-$", "");
    }
}

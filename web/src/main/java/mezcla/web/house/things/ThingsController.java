package mezcla.web.house.things;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import mezcla.batch.Light;
import mezcla.leaflet.Unit;
import mezcla.log.Bottle;
import mezcla.measure.FilmFormat;
import mezcla.measure.Mass;
import mezcla.measure.Objection;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedFigure;
import mezcla.web.forms.typed.TypedFile;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.Thing;
import mezcla.web.house.Tool;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** The rooms of things and places: lists, and a page for whatever stands on them. */
@Controller
class ThingsController {
    private static final int NAME_CHARACTERS = 40;
    private static final double MOST_OFF = 10;
    private static final int QUARTERS = 4;
    private static final int MOST_BYTES = 4_000_000;

    private final ThingsService things;
    private final ThingPages pages;
    private final OneTimeForms forms;

    ThingsController(ThingsService things, ThingPages pages, OneTimeForms forms) {
        this.things = things;
        this.pages = pages;
        this.forms = forms;
    }

    @GetMapping("/house/things")
    ModelAndView things() {
        return PageView.of("house/things", pages.things(), new FieldErrors());
    }

    @GetMapping("/house/places")
    ModelAndView places() {
        return PageView.of("house/places", pages.places(), new FieldErrors());
    }

    @GetMapping("/house/{list}/new")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView another(@PathVariable String list) {
        return page(thing(list), null, Map.of(), new FieldErrors());
    }

    @GetMapping("/house/{list}/{id}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView one(@PathVariable String list, @PathVariable long id) {
        return page(thing(list), id, Map.of(), new FieldErrors());
    }

    private ModelAndView page(Thing thing, @Nullable Long id, Map<String, String> typed, FieldErrors errors) {
        return PageView.of("house/thing", pages.one(thing, id, typed), errors);
    }

    @PostMapping("/house/{list}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView add(@PathVariable String list, @RequestParam Map<String, String> typed) {
        return saved(thing(list), null, typed);
    }

    @PostMapping("/house/{list}/{id}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView change(@PathVariable String list, @PathVariable long id, @RequestParam Map<String, String> typed) {
        return saved(thing(list), id, typed);
    }

    private ModelAndView saved(Thing thing, @Nullable Long id, Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        Runnable act = read(thing, id, typed, errors);
        String kind = thing.name().toLowerCase(Locale.ROOT);
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return thing == Thing.PLACE
                            ? "/house/places?saved=place"
                            : "/house/things?saved=%s#list-%ss".formatted(kind, kind);
                },
                Beside.field(kind).or("tankLeast", "bottleVolume", "toolGraduation"),
                () -> page(thing, id, typed, errors));
    }

    /** Reads a form of a kind; what comes back does what it asks for, once nothing of it was refused. */
    private Runnable read(Thing thing, @Nullable Long id, Map<String, String> typed, FieldErrors errors) {
        return switch (thing) {
            case TANK -> tank(id, typed, errors);
            case BOTTLE -> bottle(id, typed, errors);
            case PLACE -> {
                String name = name(typed, "place", errors);
                yield id == null
                        ? () -> things.addPlace(FieldErrors.known(name))
                        : () -> things.changePlace(id, FieldErrors.known(name));
            }
            case TOOL -> tool(id, typed, errors);
            case JUG -> {
                String name = name(typed, "jug", errors);
                Volume capacity = errors.read("jugVolume", () -> volume(text(typed, "jugVolume")));
                yield id == null
                        ? () -> things.addJug(FieldErrors.known(name), FieldErrors.known(capacity))
                        : () -> things.changeJug(id, FieldErrors.known(name), FieldErrors.known(capacity));
            }
            case HEATER -> {
                String name = name(typed, "heater", errors);
                Double offset = errors.read("heaterOffset", () -> degrees(text(typed, "heaterOffset")));
                yield id == null
                        ? () -> things.addHeater(FieldErrors.known(name), FieldErrors.known(offset))
                        : () -> things.changeHeater(id, FieldErrors.known(name), FieldErrors.known(offset));
            }
        };
    }

    private Runnable tank(@Nullable Long id, Map<String, String> typed, FieldErrors errors) {
        String name = name(typed, "tank", errors);
        Volume volume = errors.read("tankVolume", () -> volume(text(typed, "tankVolume")));
        Double rotary = errors.read("tankRotary", () -> volumeOrNone(text(typed, "tankRotary")));
        Double least = errors.read("tankLeast", () -> volumeOrNone(text(typed, "tankLeast")));
        Map<FilmFormat.Reel, Integer> holds = holds(typed, errors);
        return id == null
                ? () -> things.addTank(FieldErrors.known(name), FieldErrors.known(volume), rotary, least, holds)
                : () -> things.changeTank(id, FieldErrors.known(name), FieldErrors.known(volume), rotary, least, holds);
    }

    private static @Nullable Double volumeOrNone(String typed) {
        return typed.isBlank() ? null : Double.valueOf(volume(typed).ml());
    }

    private static Map<FilmFormat.Reel, Integer> holds(Map<String, String> typed, FieldErrors errors) {
        Map<FilmFormat.Reel, Integer> holds = new EnumMap<>(FilmFormat.Reel.class);
        for (FilmFormat.Reel reel : FilmFormat.Reel.values()) {
            String field = "holds" + reel;
            Integer count = errors.read(field, () -> reels(text(typed, field)));
            if (count != null && count > 0) {
                holds.put(reel, count);
            }
        }
        if (holds.isEmpty() && errors.none()) {
            errors.add("holds" + FilmFormat.Reel.R135, Refusal.of(new FormObjection.ReelsMissing()));
        }
        return holds;
    }

    private static int reels(String typed) {
        String text = typed.strip();
        if (!text.matches("[0-9]{0,2}")) {
            throw Refusal.of(new FormObjection.NotBetween(text, 0, 99));
        }
        return text.isEmpty() ? 0 : Integer.parseInt(text);
    }

    private Runnable bottle(@Nullable Long id, Map<String, String> typed, FieldErrors errors) {
        String named = name(typed, "bottle", errors);
        List<String> labels =
                named == null ? null : errors.read("bottle", () -> id == null ? Series.of(named) : List.of(named));
        Volume capacity = errors.read("bottleVolume", () -> volume(text(typed, "bottleVolume")));
        Bottle.Material material = errors.read(
                "material",
                () -> TypedChoice.of(
                        Bottle.Material.values(), text(typed, "material"), new FormObjection.UnknownMaterial()));
        return id == null
                ? () -> things.addBottles(
                        FieldErrors.known(labels), FieldErrors.known(capacity), FieldErrors.known(material))
                : () -> things.changeBottle(
                        id, FieldErrors.known(named), FieldErrors.known(capacity), FieldErrors.known(material));
    }

    private Runnable tool(@Nullable Long id, Map<String, String> typed, FieldErrors errors) {
        String name = name(typed, "tool", errors);
        Tool.Kind kind = errors.read(
                "toolKind",
                () -> TypedChoice.of(Tool.Kind.values(), text(typed, "toolKind"), new FormObjection.UnknownTool()));
        Unit unit = kind == null ? Unit.ML : kind.unit();
        Double capacity = errors.read("toolCapacity", () -> amount(text(typed, "toolCapacity"), unit));
        Double graduation = errors.read("toolGraduation", () -> amount(text(typed, "toolGraduation"), unit));
        return id == null
                ? () -> things.addTool(
                        FieldErrors.known(name),
                        FieldErrors.known(kind),
                        FieldErrors.known(capacity),
                        FieldErrors.known(graduation))
                : () -> things.changeTool(
                        id,
                        FieldErrors.known(name),
                        FieldErrors.known(kind),
                        FieldErrors.known(capacity),
                        FieldErrors.known(graduation));
    }

    @PostMapping("/house/places/{id}/climate")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView setClimate(@PathVariable long id, @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        List<Double> quarters = new ArrayList<>();
        for (int i = 0; i < QUARTERS; i++) {
            String field = "quarter" + i;
            Double celsius = errors.read(field, () -> Temperature.parse(
                            text(typed, field), Units.shown().temperature())
                    .celsius());
            if (celsius != null) {
                quarters.add(celsius);
            }
        }
        Light light = errors.read(
                "light", () -> TypedChoice.of(Light.values(), text(typed, "light"), new FormObjection.UnknownLight()));
        return place(
                id,
                typed,
                errors,
                () -> things.setClimate(id, quarters, FieldErrors.known(light)),
                objection -> "quarter0");
    }

    @PostMapping("/house/places/{id}/readings")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView addReadings(
            @PathVariable long id,
            @RequestParam(required = false) @Nullable MultipartFile file,
            @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String text = errors.read("readings", () -> TypedFile.text(file, MOST_BYTES));
        return place(id, typed, errors, () -> things.addReadings(id, FieldErrors.known(text)), objection -> "readings");
    }

    @PostMapping("/house/places/{id}/readings/take-back")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView takeReadingsBack(@PathVariable long id, @RequestParam Map<String, String> typed) {
        return place(id, typed, new FieldErrors(), () -> things.takeReadingsBack(id), objection -> "readings");
    }

    private ModelAndView place(
            long id, Map<String, String> typed, FieldErrors errors, Runnable act, Function<Objection, String> fieldOf) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return "/house/places/" + id + "?saved";
                },
                fieldOf,
                () -> page(Thing.PLACE, id, typed, errors));
    }

    @PostMapping("/house/{list}/{id}/removals")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView remove(@PathVariable String list, @PathVariable long id, @RequestParam Map<String, String> typed) {
        Thing thing = thing(list);
        FieldErrors errors = new FieldErrors();
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    things.remove(thing, id, !typed.containsKey("back"));
                    return thing == Thing.PLACE ? "/house/places?saved" : "/house/things?saved#list-" + list;
                },
                objection -> "remove",
                () -> page(thing, id, Map.of(), errors));
    }

    @GetMapping("/house/bath")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView bath() {
        return PageView.of("house/bath", pages.bath(Map.of()), new FieldErrors());
    }

    @PostMapping("/house/bath")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView describeBath(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Double litres = errors.read("litres", () -> TypedFigure.of(text(typed, "litres"), 1, 100));
        Double power = errors.read("power", () -> TypedFigure.of(text(typed, "power"), 0, 10_000));
        Double loss = errors.read("loss", () -> TypedFigure.of(text(typed, "loss"), 0, 100));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    things.describeBath(
                            member, FieldErrors.known(litres), FieldErrors.known(power), FieldErrors.known(loss));
                    return "/house/things?saved=bath#bath";
                },
                objection -> "litres",
                () -> PageView.of("house/bath", pages.bath(typed), errors));
    }

    private static Thing thing(String list) {
        return Arrays.stream(Thing.values())
                .filter(thing -> ThingList.address(thing).equals(list))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownThing(list)));
    }

    private static @Nullable String name(Map<String, String> typed, String field, FieldErrors errors) {
        return errors.read(
                field, () -> TypedText.of(text(typed, field), NAME_CHARACTERS, new TypedObjection.Missing()));
    }

    private static Volume volume(String typed) {
        return Volume.parse(typed, Units.shown().volume());
    }

    private static double amount(String typed, Unit unit) {
        return unit == Unit.G ? Mass.parse(typed).grams() : volume(typed).ml();
    }

    /** A difference of degrees Celsius, above or below. */
    private static double degrees(String typed) {
        String text = typed.strip().replace(',', '.').replace('−', '-');
        if (!text.matches("[+-]?[0-9]{1,2}(\\.[0-9]{1,2})?") || Math.abs(Double.parseDouble(text)) > MOST_OFF) {
            throw text.isEmpty()
                    ? Refusal.of(new TypedObjection.Missing())
                    : Refusal.of(new FormObjection.NotADifference(typed.strip()));
        }
        return Double.parseDouble(text);
    }

    private static String text(Map<String, String> typed, String name) {
        return typed.getOrDefault(name, "");
    }
}

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
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedFile;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.Thing;
import mezcla.web.house.Tool;
import mezcla.web.house.hall.HouseholdPage;
import mezcla.web.house.hall.HouseholdService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** The lists that stewards keep: tanks, bottles, places, tools, heaters. */
@Controller
@PreAuthorize("hasRole('STEWARD')")
class ThingsController {
    private static final int NAME_CHARACTERS = 40;
    private static final double MOST_OFF = 10;
    private static final int QUARTERS = 4;
    private static final int MOST_BYTES = 4_000_000;

    private final HouseholdService household;
    private final HouseholdPage house;
    private final OneTimeForms forms;

    ThingsController(HouseholdService household, HouseholdPage house, OneTimeForms forms) {
        this.household = household;
        this.house = house;
        this.forms = forms;
    }

    @PostMapping("/house/tanks")
    ModelAndView addTank(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = name(typed, "tank", errors);
        Volume volume = errors.read("tankVolume", () -> volume(text(typed, "tankVolume")));
        Double rotary = errors.read("tankRotary", () -> rotary(text(typed, "tankRotary")));
        Double least = errors.read("tankLeast", () -> rotary(text(typed, "tankLeast")));
        Map<FilmFormat.Reel, Integer> holds = holds(typed, "", errors);
        return added(
                typed,
                errors,
                "tank",
                () -> household.addTank(FieldErrors.known(name), FieldErrors.known(volume), rotary, least, holds),
                objection -> "tank");
    }

    @PostMapping("/house/tanks/{id}/reels")
    ModelAndView fillTank(@PathVariable long id, @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        Double rotary = errors.read("tankRotary" + id, () -> rotary(text(typed, "tankRotary" + id)));
        Double least = errors.read("tankLeast" + id, () -> rotary(text(typed, "tankLeast" + id)));
        Map<FilmFormat.Reel, Integer> holds = holds(typed, Long.toString(id), errors);
        return added(
                typed, errors, "tank", () -> household.fill(id, rotary, least, holds), objection -> "tankRotary" + id);
    }

    private static @Nullable Double rotary(String typed) {
        return typed.isBlank() ? null : Double.valueOf(volume(typed).ml());
    }

    private static Map<FilmFormat.Reel, Integer> holds(Map<String, String> typed, String tank, FieldErrors errors) {
        Map<FilmFormat.Reel, Integer> holds = new EnumMap<>(FilmFormat.Reel.class);
        for (FilmFormat.Reel reel : FilmFormat.Reel.values()) {
            String field = "holds" + reel + tank;
            Integer count = errors.read(field, () -> reels(text(typed, field)));
            if (count != null && count > 0) {
                holds.put(reel, count);
            }
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

    @PostMapping("/house/bottles")
    ModelAndView addBottle(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String named = name(typed, "bottle", errors);
        List<String> labels = named == null ? null : errors.read("bottle", () -> Series.of(named));
        Volume capacity = errors.read("bottleVolume", () -> volume(text(typed, "bottleVolume")));
        Bottle.Material material = errors.read(
                "material",
                () -> TypedChoice.of(
                        Bottle.Material.values(), text(typed, "material"), new FormObjection.UnknownMaterial()));
        return added(
                typed,
                errors,
                "bottle",
                () -> household.addBottles(
                        FieldErrors.known(labels), FieldErrors.known(capacity), FieldErrors.known(material)),
                objection -> "bottle");
    }

    @PostMapping("/house/places")
    ModelAndView addPlace(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = name(typed, "place", errors);
        return added(typed, errors, "place", () -> household.addPlace(FieldErrors.known(name)), objection -> "place");
    }

    @PostMapping("/house/tools")
    ModelAndView addTool(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = name(typed, "tool", errors);
        Tool.Kind kind = errors.read(
                "toolKind",
                () -> TypedChoice.of(Tool.Kind.values(), text(typed, "toolKind"), new FormObjection.UnknownTool()));
        Unit unit = kind == null ? Unit.ML : kind.unit();
        Double capacity = errors.read("toolCapacity", () -> amount(text(typed, "toolCapacity"), unit));
        Double graduation = errors.read("toolGraduation", () -> amount(text(typed, "toolGraduation"), unit));
        return added(
                typed,
                errors,
                "tool",
                () -> household.addTool(
                        FieldErrors.known(name),
                        FieldErrors.known(kind),
                        FieldErrors.known(capacity),
                        FieldErrors.known(graduation)),
                objection -> objection.field().equals("graduation") ? "toolGraduation" : "tool");
    }

    @PostMapping("/house/places/{id}/climate")
    ModelAndView setClimate(@PathVariable long id, @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        List<Double> quarters = new ArrayList<>();
        for (int i = 0; i < QUARTERS; i++) {
            String field = "quarter" + i + "-" + id;
            Double celsius = errors.read(field, () -> Temperature.parse(
                            text(typed, field), Units.shown().temperature())
                    .celsius());
            if (celsius != null) {
                quarters.add(celsius);
            }
        }
        Light light = errors.read(
                "light-" + id,
                () -> TypedChoice.of(Light.values(), text(typed, "light-" + id), new FormObjection.UnknownLight()));
        return added(
                typed,
                errors,
                "place",
                () -> household.setClimate(id, quarters, FieldErrors.known(light)),
                objection -> "quarter0-" + id);
    }

    @PostMapping("/house/places/{id}/readings")
    ModelAndView addReadings(
            @PathVariable long id,
            @RequestParam(name = "file", required = false) @Nullable MultipartFile file,
            @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String text = errors.read("readings-" + id, () -> TypedFile.text(file, MOST_BYTES));
        return added(
                typed,
                errors,
                "place",
                () -> household.addReadings(id, FieldErrors.known(text)),
                objection -> "readings-" + id);
    }

    @PostMapping("/house/places/{id}/readings/take-back")
    ModelAndView takeReadingsBack(@PathVariable long id, @RequestParam Map<String, String> typed) {
        return added(
                typed, new FieldErrors(), "place", () -> household.takeReadingsBack(id), objection -> "readings-" + id);
    }

    @PostMapping("/house/jugs")
    ModelAndView addJug(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = name(typed, "jug", errors);
        Volume capacity = errors.read("jugVolume", () -> volume(text(typed, "jugVolume")));
        return added(
                typed,
                errors,
                "jug",
                () -> household.addJug(FieldErrors.known(name), FieldErrors.known(capacity)),
                objection -> "jug");
    }

    @PostMapping("/house/heaters")
    ModelAndView addHeater(@RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        String name = name(typed, "heater", errors);
        Double offset = errors.read("heaterOffset", () -> degrees(text(typed, "heaterOffset")));
        return added(
                typed,
                errors,
                "heater",
                () -> household.addHeater(FieldErrors.known(name), FieldErrors.known(offset)),
                objection -> "heater");
    }

    @PostMapping("/house/heaters/{id}/offset")
    ModelAndView setOffset(@PathVariable long id, @RequestParam Map<String, String> typed) {
        FieldErrors errors = new FieldErrors();
        Double offset = errors.read("offset" + id, () -> degrees(text(typed, "offset" + id)));
        return added(
                typed,
                errors,
                "heater",
                () -> household.setOffset(id, FieldErrors.known(offset)),
                objection -> "offset" + id);
    }

    @PostMapping("/house/{list}/{id}/removals")
    ModelAndView remove(@PathVariable String list, @PathVariable long id, @RequestParam Map<String, String> typed) {
        Thing thing = thing(list);
        FieldErrors errors = new FieldErrors();
        return added(
                typed,
                errors,
                list,
                () -> household.remove(thing, id, !typed.containsKey("back")),
                objection -> "remove-" + list + id);
    }

    private static Thing thing(String list) {
        return Arrays.stream(Thing.values())
                .filter(thing -> (thing.name().toLowerCase(Locale.ROOT) + "s").equals(list))
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

    private ModelAndView added(
            Map<String, String> typed,
            FieldErrors errors,
            String what,
            Runnable act,
            Function<Objection, String> fieldOf) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return "/house?saved=" + what;
                },
                fieldOf,
                () -> house.show(typed, errors));
    }
}

package mezcla.web.house.things;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Stream;
import mezcla.batch.Light;
import mezcla.leaflet.Unit;
import mezcla.log.Bottle;
import mezcla.measure.FilmFormat;
import mezcla.measure.Mass;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.FieldReader;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedFile;
import mezcla.web.settings.Owned;
import mezcla.web.settings.things.Thing;
import mezcla.web.settings.things.Tool;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** The rooms of things and places: lists, and a page for whatever stands on them. */
@Controller
class ThingsController {
    private static final double MOST_OFF = 10;
    private static final int MOST_BYTES = 4_000_000;

    private final ThingsService things;
    private final ThingPages pages;
    private final OneTimeForms forms;

    ThingsController(ThingsService things, ThingPages pages, OneTimeForms forms) {
        this.things = things;
        this.pages = pages;
        this.forms = forms;
    }

    /** A tank; what it holds is said for each kind of reel. */
    record TankForm(
            @Takes(field = "tank", most = 40) String name,
            @Takes(field = "tankVolume") Volume volume,
            @Takes(field = "tankRotary") @Nullable Volume rotary,
            @Takes(field = "tankLeast") @Nullable Volume least) {}

    /** A bottle, or a series of them. */
    record BottleForm(
            @Takes(field = "bottle", most = 40) String label,
            @Takes(field = "bottleVolume") Volume capacity,
            @Takes(or = FormObjection.UnknownMaterial.class) Bottle.Material material) {
        List<Owned> owned(boolean added) {
            return (added ? Series.of(label) : List.of(label))
                    .stream()
                            .map(each -> (Owned) new Owned.OfBottle(each, capacity.ml(), material))
                            .toList();
        }
    }

    /** A place where bottles stand. */
    record PlaceForm(@Takes(field = "place", most = 40) String name) {
        List<Owned> owned(boolean added) {
            return List.of(new Owned.OfPlace(name));
        }
    }

    /** A tool; its figures are read in the unit of its kind. */
    record ToolForm(
            @Takes(field = "tool", most = 40) String name,
            @Takes(field = "toolKind", or = FormObjection.UnknownTool.class) Tool.Kind kind,
            @Takes(field = "toolCapacity", asTyped = true) String capacity,
            @Takes(field = "toolGraduation", asTyped = true) String graduation) {}

    /** A jug. */
    record JugForm(@Takes(field = "jug", most = 40) String name, @Takes(field = "jugVolume") Volume capacity) {
        List<Owned> owned(boolean added) {
            return List.of(new Owned.OfJug(name, capacity.ml()));
        }
    }

    /** A heater. */
    record HeaterForm(
            @Takes(field = "heater", most = 40) String name,
            @Takes(field = "heaterOffset", by = Difference.class) double offset) {
        List<Owned> owned(boolean added) {
            return List.of(new Owned.OfHeater(name, offset));
        }
    }

    /** A difference of degrees Celsius, above or below. */
    static final class Difference implements FieldReader<Double> {
        @Override
        public Double read(String typed) {
            String text = typed.strip().replace(',', '.').replace('−', '-');
            if (!text.matches("[+-]?[0-9]{1,2}(\\.[0-9]{1,2})?") || Math.abs(Double.parseDouble(text)) > MOST_OFF) {
                throw text.isEmpty()
                        ? Refusal.of(new TypedObjection.Missing())
                        : Refusal.of(new FormObjection.NotADifference(typed.strip()));
            }
            return Double.valueOf(text);
        }
    }

    /** How warm a place is in each quarter of the year, and how light. */
    record ClimateForm(
            Temperature quarter0,
            Temperature quarter1,
            Temperature quarter2,
            Temperature quarter3,
            @Takes(or = FormObjection.UnknownLight.class) Light light) {
        List<Double> quartersC() {
            return Stream.of(quarter0, quarter1, quarter2, quarter3)
                    .map(Temperature::celsius)
                    .toList();
        }
    }

    /** A file of temperatures. */
    @RefusedAt("readings")
    record ReadingsForm(@Nullable MultipartFile file) {}

    /** Something that goes off its list, or back onto it. */
    @RefusedAt("remove")
    record RemovalForm(boolean back) {}

    /** What the water bath is like. */
    record BathForm(
            @Takes(least = 1, most = 100) double litres,
            @Takes(most = 10_000) double power,
            @Takes(most = 100) double loss) {}

    @GetMapping("/house/things")
    ModelAndView things() {
        return PageView.of("house/things", pages.things());
    }

    @GetMapping("/house/places")
    ModelAndView places() {
        return PageView.of("house/places", pages.places());
    }

    @GetMapping("/house/{list}/new")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView another(@PathVariable String list) {
        return page(thing(list), null, Sent.nothing());
    }

    @GetMapping("/house/{list}/{id}")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView one(@PathVariable String list, @PathVariable long id) {
        return page(thing(list), id, Sent.nothing());
    }

    private ModelAndView page(Thing thing, @Nullable Long id, Sent<?> sent) {
        return PageView.of("house/thing", pages.one(thing, id, sent.typed()), sent);
    }

    @PostMapping({"/house/tanks", "/house/tanks/{id}"})
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView tank(@PathVariable(required = false) @Nullable Long id, Sent<TankForm> sent) {
        Map<FilmFormat.Reel, Integer> holds = holds(sent);
        return saved(
                Thing.TANK,
                id,
                sent,
                form -> List.of(
                        new Owned.OfTank(form.name(), form.volume().ml(), ml(form.rotary()), ml(form.least()), holds)));
    }

    private static @Nullable Double ml(@Nullable Volume volume) {
        return volume == null ? null : volume.ml();
    }

    private static Map<FilmFormat.Reel, Integer> holds(Sent<?> sent) {
        Map<FilmFormat.Reel, Integer> holds = new EnumMap<>(FilmFormat.Reel.class);
        for (FilmFormat.Reel reel : FilmFormat.Reel.values()) {
            String field = "holds" + reel;
            Integer count = sent.read(field, () -> reels(sent.typed(field)));
            if (count != null && count > 0) {
                holds.put(reel, count);
            }
        }
        if (holds.isEmpty() && sent.errors().none()) {
            sent.errors().add("holds" + FilmFormat.Reel.R135, new FormObjection.ReelsMissing());
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

    @PostMapping({"/house/bottles", "/house/bottles/{id}"})
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView bottle(@PathVariable(required = false) @Nullable Long id, Sent<BottleForm> sent) {
        return saved(Thing.BOTTLE, id, sent, form -> form.owned(id == null));
    }

    @PostMapping({"/house/places", "/house/places/{id}"})
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView place(@PathVariable(required = false) @Nullable Long id, Sent<PlaceForm> sent) {
        return saved(Thing.PLACE, id, sent, form -> form.owned(id == null));
    }

    @PostMapping({"/house/tools", "/house/tools/{id}"})
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView tool(@PathVariable(required = false) @Nullable Long id, Sent<ToolForm> sent) {
        Unit unit = Tool.Kind.SCALES.name().equals(sent.typed("toolKind")) ? Unit.G : Unit.ML;
        Double capacity = sent.read("toolCapacity", () -> amount(sent.typed("toolCapacity"), unit));
        Double graduation = sent.read("toolGraduation", () -> amount(sent.typed("toolGraduation"), unit));
        return saved(
                Thing.TOOL,
                id,
                sent,
                form -> List.of(new Owned.OfTool(
                        form.name(), form.kind(), FieldErrors.known(capacity), FieldErrors.known(graduation))));
    }

    @PostMapping({"/house/jugs", "/house/jugs/{id}"})
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView jug(@PathVariable(required = false) @Nullable Long id, Sent<JugForm> sent) {
        return saved(Thing.JUG, id, sent, form -> form.owned(id == null));
    }

    @PostMapping({"/house/heaters", "/house/heaters/{id}"})
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView heater(@PathVariable(required = false) @Nullable Long id, Sent<HeaterForm> sent) {
        return saved(Thing.HEATER, id, sent, form -> form.owned(id == null));
    }

    private <F extends Record> ModelAndView saved(
            Thing thing, @Nullable Long id, Sent<F> sent, Function<F, List<Owned>> described) {
        String kind = thing.name().toLowerCase(Locale.ROOT);
        return forms.answer(
                sent,
                thing == Thing.PLACE
                        ? "/house/places?saved=place"
                        : "/house/things?saved=%s#list-%ss".formatted(kind, kind),
                form -> described.apply(form).forEach(owned -> {
                    if (id == null) {
                        things.add(owned);
                    } else {
                        things.change(id, owned);
                    }
                }),
                () -> page(thing, id, sent));
    }

    @PostMapping("/house/places/{id}/climate")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView setClimate(@PathVariable long id, Sent<ClimateForm> sent) {
        return ofPlace(id, sent, form -> things.setClimate(id, form.quartersC(), form.light()));
    }

    @PostMapping("/house/places/{id}/readings")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView addReadings(@PathVariable long id, Sent<ReadingsForm> sent) {
        MultipartFile file = sent.file("file");
        String text = sent.read("readings", () -> TypedFile.text(file, MOST_BYTES));
        return ofPlace(id, sent, form -> things.addReadings(id, FieldErrors.known(text)));
    }

    @PostMapping("/house/places/{id}/readings/take-back")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView takeReadingsBack(@PathVariable long id, Sent<ReadingsForm> sent) {
        return ofPlace(id, sent, form -> things.takeReadingsBack(id));
    }

    private <F extends Record> ModelAndView ofPlace(long id, Sent<F> sent, Consumer<F> act) {
        return forms.answer(sent, "/house/places/" + id + "?saved", act, () -> page(Thing.PLACE, id, sent));
    }

    @PostMapping("/house/{list}/{id}/removals")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView remove(@PathVariable String list, @PathVariable long id, Sent<RemovalForm> sent) {
        Thing thing = thing(list);
        return forms.answer(
                sent,
                thing == Thing.PLACE ? "/house/places?saved" : "/house/things?saved#list-" + list,
                form -> things.remove(thing, id, !form.back()),
                () -> page(thing, id, sent));
    }

    @GetMapping("/house/bath")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView bath() {
        return bath(Sent.nothing());
    }

    private ModelAndView bath(Sent<?> sent) {
        return PageView.of("house/bath", pages.bath(sent.typed()), sent);
    }

    @PostMapping("/house/bath")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView describeBath(Sent<BathForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/house/things?saved=bath#bath",
                form -> things.describeBath(member, form.litres(), form.power(), form.loss()),
                () -> bath(sent));
    }

    private static Thing thing(String list) {
        return Arrays.stream(Thing.values())
                .filter(thing -> ThingList.address(thing).equals(list))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownThing(list)));
    }

    private static double amount(String typed, Unit unit) {
        return unit == Unit.G
                ? Mass.parse(typed).grams()
                : Volume.parse(typed, Units.shown().volume()).ml();
    }
}

package mezcla.web.fill;

import java.util.List;
import java.util.Map;
import mezcla.batch.FillState;
import mezcla.log.AirKept;
import mezcla.log.Bottle;
import mezcla.log.Place;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.look.LifeService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The page of one bottle. */
@Controller
class FillController {
    private static final int REASON_CHARACTERS = 200;

    private final FillService fills;
    private final HouseService houses;
    private final LifeService life;
    private final OneTimeForms forms;

    FillController(FillService fills, HouseService houses, LifeService life, OneTimeForms forms) {
        this.fills = fills;
        this.houses = houses;
        this.life = life;
        this.forms = forms;
    }

    @GetMapping("/fills/{id}")
    ModelAndView fill(@PathVariable long id) {
        return page(id, Map.of(), new FieldErrors());
    }

    /** A bottle that broke: one press, by whoever is there. */
    @PostMapping("/fills/{id}/breaks")
    ModelAndView broke(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        return sent(id, typed, "broken", new FieldErrors(), () -> {
            fills.broke(member, id);
            return "broken";
        });
    }

    @PostMapping("/fills/{id}/spills")
    ModelAndView spill(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Volume lost = volume(typed, "spilled", errors);
        return sent(id, typed, "spilled", errors, () -> {
            fills.spill(member, id, FieldErrors.known(lost));
            return "spilled";
        });
    }

    @PostMapping("/fills/{id}/measurements")
    ModelAndView measure(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Volume there = volume(typed, "measured", errors);
        return sent(
                id,
                typed,
                "measured",
                errors,
                () -> fills.measure(member, id, FieldErrors.known(there)) ? "measured&less" : "measured");
    }

    private static @Nullable Volume volume(Map<String, String> typed, String field, FieldErrors errors) {
        return errors.read(
                field,
                () -> Volume.parse(typed.getOrDefault(field, ""), Units.shown().volume()));
    }

    @PostMapping("/fills/{id}/bars")
    ModelAndView bar(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String reason = reason(typed, errors);
        return sent(id, typed, "why", errors, () -> {
            fills.bar(member, id, FieldErrors.known(reason));
            return "barred";
        });
    }

    @PostMapping("/fills/{id}/lifts")
    ModelAndView lift(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String reason = reason(typed, errors);
        return sent(id, typed, "why", errors, () -> {
            fills.lift(member, id, FieldErrors.known(reason));
            return "lifted";
        });
    }

    private static @Nullable String reason(Map<String, String> typed, FieldErrors errors) {
        return errors.read(
                "why",
                () -> TypedText.of(
                        typed.getOrDefault("why", ""), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
    }

    @PostMapping("/fills/{id}/moves")
    ModelAndView move(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Long bottle = errors.read(
                "bottle",
                () -> TypedChoice.number(typed.getOrDefault("bottle", ""), new FormObjection.BottleMissing()));
        String where = typed.getOrDefault("place", "");
        Long place = where.isEmpty()
                ? null
                : errors.read("place", () -> TypedChoice.number(where, new FormObjection.PlaceMissing()));
        AirKept air = errors.read(
                "air",
                () -> TypedChoice.of(AirKept.values(), typed.getOrDefault("air", ""), new FormObjection.UnknownAir()));
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    fills.move(member, id, FieldErrors.known(bottle), place, FieldErrors.known(air));
                    return "/fills/" + id + "?moved";
                },
                Beside.field("bottle").or("air", "place"),
                () -> page(id, typed, errors));
    }

    /** Does something to the bottle and returns the word for it, which the page answers with. */
    private interface Act {
        String done();
    }

    private ModelAndView sent(long id, Map<String, String> typed, String field, FieldErrors errors, Act act) {
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> "/fills/" + id + "?" + act.done(),
                objection -> field,
                () -> page(id, typed, errors));
    }

    /** A bottle, and what can be said of it. */
    record Page(
            FillView fill,
            LifeService.Life life,
            FillState.Kept kept,
            List<Bottle> bottles,
            List<Place> places,
            List<AirKept> airs,
            Map<String, String> typed) {}

    private ModelAndView page(long id, Map<String, String> typed, FieldErrors errors) {
        return PageView.of(
                "fill/fill",
                new Page(
                        fills.fill(id),
                        life.ofFill(id),
                        fills.kept(id),
                        fills.bottlesFor(id),
                        houses.places(),
                        List.of(AirKept.values()),
                        typed),
                errors);
    }
}

package mezcla.web.fill;

import java.util.Arrays;
import java.util.Map;
import java.util.function.Function;
import mezcla.batch.AirKept;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.web.house.HouseService;
import mezcla.web.house.Units;
import mezcla.web.shell.FieldErrors;
import mezcla.web.shell.OneTimeForms;
import mezcla.web.shell.SignedIn;
import mezcla.web.shell.TypedText;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
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
    private final OneTimeForms forms;

    FillController(FillService fills, HouseService houses, OneTimeForms forms) {
        this.fills = fills;
        this.houses = houses;
        this.forms = forms;
    }

    /** What a member types about a bottle, and what it is done with. */
    private enum Act {
        SPILL("spilled"),
        MEASURE("measured"),
        BAR("barred"),
        LIFT("lifted");

        private final String done;

        Act(String done) {
            this.done = done;
        }
    }

    @GetMapping("/fills/{id}")
    String fill(@PathVariable long id, Model model) {
        return page(id, Map.of(), new FieldErrors(), model);
    }

    @PostMapping("/fills/{id}/spills")
    ModelAndView spill(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String spilled,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return volume(id, Act.SPILL, "spilled", spilled, formKey, model, volume -> {
            fills.spill(member, id, volume);
            return "";
        });
    }

    @PostMapping("/fills/{id}/measurements")
    ModelAndView measure(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String measured,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return volume(
                id,
                Act.MEASURE,
                "measured",
                measured,
                formKey,
                model,
                volume -> fills.measure(member, id, volume) ? "&less" : "");
    }

    private ModelAndView volume(
            long id, Act act, String field, String typed, String formKey, Model model, Function<Volume, String> log) {
        FieldErrors errors = new FieldErrors();
        Volume volume =
                errors.read(field, () -> Volume.parse(typed, Units.shown().volume()));
        if (volume != null) {
            String page = errors.read(
                    field, () -> forms.once(formKey, () -> "/fills/" + id + "?" + act.done + log.apply(volume)));
            if (page != null) {
                return new ModelAndView("redirect:" + page);
            }
        }
        return refused(id, field, typed, errors, model);
    }

    @PostMapping("/fills/{id}/bars")
    ModelAndView bar(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String why,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return reason(id, Act.BAR, why, formKey, model, member);
    }

    @PostMapping("/fills/{id}/lifts")
    ModelAndView lift(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String why,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        return reason(id, Act.LIFT, why, formKey, model, member);
    }

    private ModelAndView reason(long id, Act act, String typed, String formKey, Model model, SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String reason = errors.read("why", () -> TypedText.of(typed, REASON_CHARACTERS, "reason-missing"));
        if (reason != null) {
            String page = errors.read(
                    "why",
                    () -> forms.once(formKey, () -> {
                        if (act == Act.BAR) {
                            fills.bar(member, id, reason);
                        } else {
                            fills.lift(member, id, reason);
                        }
                        return "/fills/" + id + "?" + act.done;
                    }));
            if (page != null) {
                return new ModelAndView("redirect:" + page);
            }
        }
        return refused(id, "why", typed, errors, model);
    }

    @PostMapping("/fills/{id}/moves")
    ModelAndView move(
            @PathVariable long id,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        Long bottle = errors.read("bottle", () -> number(typed.getOrDefault("bottle", ""), "bottle-missing"));
        String where = typed.getOrDefault("place", "");
        Long place = where.isEmpty() ? null : errors.read("place", () -> number(where, "place-missing"));
        AirKept air = errors.read("air", () -> air(typed.getOrDefault("air", "")));
        return forms.answer(
                errors,
                typed.getOrDefault("formKey", ""),
                () -> {
                    if (bottle != null && air != null) {
                        fills.move(member, id, bottle, place, air);
                    }
                    return "/fills/" + id + "?moved";
                },
                refusal -> switch (refusal.code()) {
                    case "glass-not-squeezed" -> "air";
                    case "place-missing" -> "place";
                    default -> "bottle";
                },
                () -> new ModelAndView(page(id, typed, errors, model), model.asMap()));
    }

    private static Long number(String typed, String code) {
        if (!typed.matches("[0-9]{1,9}")) {
            throw Refusal.of(code);
        }
        return Long.valueOf(typed);
    }

    private static AirKept air(String typed) {
        return Arrays.stream(AirKept.values())
                .filter(air -> air.name().equals(typed))
                .findFirst()
                .orElseThrow(() -> Refusal.of("unknown-air"));
    }

    private ModelAndView refused(long id, String field, String typed, FieldErrors errors, Model model) {
        return new ModelAndView(
                page(id, Map.of(field, typed), errors, model), model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private String page(long id, Map<String, String> typed, FieldErrors errors, Model model) {
        model.addAttribute("fill", fills.fill(id));
        model.addAttribute("typed", typed);
        model.addAttribute("errors", errors);
        model.addAttribute("kept", fills.kept(id));
        model.addAttribute("bottles", fills.bottlesFor(id));
        model.addAttribute("places", houses.places());
        model.addAttribute("airs", AirKept.values());
        model.addAttribute("keys", new String[] {forms.newKey(), forms.newKey(), forms.newKey(), forms.newKey()});
        return "fill/fill";
    }
}

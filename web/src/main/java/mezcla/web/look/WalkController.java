package mezcla.web.look;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import mezcla.log.Sign;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.words.Units;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The round of the shelf, on a phone. */
@Controller
class WalkController {
    private final WalkService walk;
    private final OneTimeForms forms;

    WalkController(WalkService walk, OneTimeForms forms) {
        this.walk = walk;
        this.forms = forms;
    }

    @GetMapping("/walk")
    ModelAndView round() {
        return page(Map.of(), new FieldErrors());
    }

    @PostMapping("/walk")
    ModelAndView find(@RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String code = errors.read("code", () -> code(text(typed, "code").strip()));
        Volume volume = text(typed, "level").isBlank()
                ? null
                : errors.read(
                        "level",
                        () -> Volume.parse(text(typed, "level"), Units.shown().volume()));
        Sign sign = text(typed, "sign").isEmpty()
                ? null
                : errors.read(
                        "sign",
                        () -> TypedChoice.of(Sign.values(), text(typed, "sign"), new FormObjection.UnknownSign()));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    WalkService.Found found = walk.find(member, FieldErrors.known(code), volume, sign);
                    return "/walk?found=%s&entry=%d"
                            .formatted(URLEncoder.encode(found.label(), StandardCharsets.UTF_8), found.entry());
                },
                Beside.field("level").or("code"),
                () -> page(typed, errors));
    }

    /** What stands on the label; a scanned one is the address that leads to the batch, with the code at its end. */
    private static String code(String typed) {
        if (typed.isEmpty()) {
            throw Refusal.of(new TypedObjection.Missing());
        }
        return typed.substring(typed.lastIndexOf('/') + 1);
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }

    /** A round of the shelf. */
    record Page(List<WalkService.Bottle> bottles, long missing, List<Sign> signs, Map<String, String> typed) {}

    private ModelAndView page(Map<String, String> typed, FieldErrors errors) {
        List<WalkService.Bottle> bottles = walk.bottles();
        return PageView.of(
                "look/walk",
                new Page(
                        bottles,
                        bottles.stream().filter(WalkService.Bottle::missing).count(),
                        List.of(Sign.values()),
                        typed),
                errors);
    }
}

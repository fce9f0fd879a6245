package mezcla.web.look;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import mezcla.log.FillInspected;
import mezcla.log.Finding;
import mezcla.log.Sign;
import mezcla.log.Suspect;
import mezcla.measure.Refusal;
import mezcla.measure.TypedObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.LocalAddress;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.photo.Picture;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** Looking at dry film, at a clip, at a bottle; and the guide to what one sees. */
@Controller
class LookController {
    private static final int NOTE_CHARACTERS = 200;

    private final LookService looks;
    private final SignGuide guide;
    private final OneTimeForms forms;

    LookController(LookService looks, SignGuide guide, OneTimeForms forms) {
        this.looks = looks;
        this.guide = guide;
        this.forms = forms;
    }

    /**
     * Something that film can show.
     *
     * @param value what the form sends
     * @param words in words
     */
    public record FindingChoice(String value, String words) {}

    private static final List<FindingChoice> FINDINGS = Finding.first().stream()
            .map(finding -> new FindingChoice(finding.name(), words(finding)))
            .toList();

    private static String words(Finding finding) {
        return switch (finding) {
            case GOOD -> "fine";
            case THIN -> "thin (slides: dark)";
            case DENSE -> "dense (slides: light)";
            case CAST, HEAVY_CAST -> "a colour cast";
            case GRAIN, HEAVY_GRAIN -> "grain";
            case MILKY_DRY -> "milky when dry";
            case STREAKS -> "streaks";
            case RESIDUE -> "marks or residue";
        };
    }

    @GetMapping("/batches/{id}/looks/{run}")
    ModelAndView film(@PathVariable long id, @PathVariable long run) {
        return page(id, run, Map.of(), new FieldErrors());
    }

    @PostMapping("/batches/{id}/looks/{run}")
    ModelAndView look(
            @PathVariable long id,
            @PathVariable long run,
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) @Nullable MultipartFile photo,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Picture picture = errors.read("photo", () -> Picture.of(photo));
        Integer roll = errors.read(
                "roll",
                () -> wholeLoad(typed)
                        ? LookService.Seen.WHOLE_LOAD
                        : (int) TypedChoice.number(text(typed, "roll"), new FormObjection.UnknownRoll()));
        Finding result = typed.containsKey("good") ? Finding.GOOD : errors.read("result", () -> result(typed));
        String note = note(typed, errors);
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    looks.look(
                            member,
                            id,
                            run,
                            new LookService.Seen(
                                    FieldErrors.known(roll), FieldErrors.known(result), suspects(typed), note),
                            picture);
                    return "/batches/" + id + "?looked";
                },
                Beside.field("result").or("roll"),
                () -> page(id, run, typed, errors));
    }

    /** One tap says that all of a load is good; a form may say the same of anything else. */
    private static boolean wholeLoad(Map<String, String> typed) {
        return typed.containsKey("good") || text(typed, "roll").equals("all");
    }

    /** What was seen; a strong cast or strong grain weighs more than a slight one. */
    private static Finding result(Map<String, String> typed) {
        Finding seen = TypedChoice.of(Finding.values(), text(typed, "result"), new FormObjection.UnknownResult());
        if (seen.isHeavy()) {
            throw Refusal.of(new FormObjection.UnknownResult());
        }
        return text(typed, "strength").equals("strong") ? seen.strong() : seen;
    }

    private static Set<Suspect> suspects(Map<String, String> typed) {
        Set<Suspect> suspects = EnumSet.noneOf(Suspect.class);
        Arrays.stream(Suspect.values())
                .filter(suspect -> typed.containsKey("suspect-" + suspect.name()))
                .forEach(suspects::add);
        return suspects;
    }

    private static @Nullable String note(Map<String, String> typed, FieldErrors errors) {
        return said("note", typed, errors);
    }

    private static @Nullable String said(String field, Map<String, String> typed, FieldErrors errors) {
        return text(typed, field).isBlank()
                ? null
                : errors.read(
                        field, () -> TypedText.of(text(typed, field), NOTE_CHARACTERS, new TypedObjection.Missing()));
    }

    @PostMapping("/fills/{id}/clips")
    ModelAndView clip(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Finding result = errors.read("result", () -> result(typed));
        FillInspected.Clip clip = new FillInspected.Clip(
                said("method", typed, errors), said("exposure", typed, errors), said("reading", typed, errors));
        FillInspected.Clip made = clip.equals(new FillInspected.Clip(null, null, null)) ? null : clip;
        return bottle(id, typed, errors, () -> looks.clip(member, id, FieldErrors.known(result), made));
    }

    /** Whoever tested a batch before a run goes back to its plan. */
    private static String whereTo(long id, Map<String, String> typed) {
        return LocalAddress.or(text(typed, "back"), "/fills/" + id + "?looked");
    }

    @PostMapping("/fills/{id}/looks")
    ModelAndView lookInto(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Sign sign = errors.read(
                "sign", () -> TypedChoice.of(Sign.values(), text(typed, "sign"), new FormObjection.UnknownSign()));
        String note = note(typed, errors);
        return bottle(id, typed, errors, () -> looks.look(member, id, FieldErrors.known(sign), note));
    }

    @GetMapping("/fills/{id}/look")
    ModelAndView askAboutBottle(@PathVariable long id) {
        return bottlePage(id, Map.of(), new FieldErrors());
    }

    private ModelAndView bottle(long id, Map<String, String> typed, FieldErrors errors, Runnable act) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return whereTo(id, typed);
                },
                objection -> "sign",
                () -> bottlePage(id, typed, errors));
    }

    /** A bottle that somebody looks into. */
    record BottlePage(
            long fillId,
            LookService.InBottle bottle,
            List<Sign> signs,
            List<FindingChoice> findings,
            Map<String, String> typed) {}

    private ModelAndView bottlePage(long id, Map<String, String> typed, FieldErrors errors) {
        return PageView.of(
                "look/bottle", new BottlePage(id, looks.bottle(id), List.of(Sign.values()), FINDINGS, typed), errors);
    }

    /** The guide to signs. */
    record Signs(String q, String when, List<SignGuide.When> whens, List<SignGuide.Entry> found) {}

    @GetMapping("/signs")
    ModelAndView guide(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String when) {
        List<SignGuide.Entry> found = guide.find(q.substring(0, Math.min(q.length(), NOTE_CHARACTERS)), when);
        return PageView.of(
                "look/signs", new Signs(q, when, List.of(SignGuide.When.values()), found), new FieldErrors());
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }

    /** Dry film that somebody looks at. */
    record FilmPage(
            LookService.Film film, List<FindingChoice> findings, List<Suspect> suspects, Map<String, String> typed) {}

    private ModelAndView page(long id, long run, Map<String, String> typed, FieldErrors errors) {
        return PageView.of(
                "look/film", new FilmPage(looks.film(id, run), FINDINGS, List.of(Suspect.values()), typed), errors);
    }
}

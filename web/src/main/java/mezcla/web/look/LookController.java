package mezcla.web.look;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import mezcla.log.FillInspected;
import mezcla.log.Finding;
import mezcla.log.Sign;
import mezcla.log.Suspect;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.LocalAddress;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.look.signs.SignGuide;
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
    private static final int WORD_CHARACTERS = 200;

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

    /** Dry film that was looked at. */
    @RefusedAt("result")
    record FilmForm(
            @Takes(asTyped = true) String roll,
            @Takes(asTyped = true) String result,
            boolean good,
            @Takes(most = 200) @Nullable String note,
            @Nullable MultipartFile photo) {}

    /** A snip of film that was developed. */
    @RefusedAt("sign")
    record ClipForm(
            @Takes(asTyped = true) String result,
            @Takes(most = 200) @Nullable String method,
            @Takes(most = 200) @Nullable String exposure,
            @Takes(most = 200) @Nullable String reading) {
        FillInspected.@Nullable Clip made() {
            FillInspected.Clip clip = new FillInspected.Clip(method, exposure, reading);
            return clip.equals(new FillInspected.Clip(null, null, null)) ? null : clip;
        }
    }

    /** What a bottle shows. */
    record SignForm(@Takes(or = FormObjection.UnknownSign.class) Sign sign, @Takes(most = 200) @Nullable String note) {}

    @GetMapping("/batches/{id}/looks/{run}")
    ModelAndView film(@PathVariable long id, @PathVariable long run) {
        return page(id, run, Sent.nothing());
    }

    @PostMapping("/batches/{id}/looks/{run}")
    ModelAndView look(
            @PathVariable long id,
            @PathVariable long run,
            Sent<FilmForm> sent,
            @AuthenticationPrincipal SignedIn member) {
        boolean good = sent.typed().containsKey("good");
        Integer roll = sent.read(
                "roll",
                () -> good || sent.typed("roll").equals("all")
                        ? LookService.Seen.WHOLE_LOAD
                        : (int) TypedChoice.number(sent.typed("roll"), new FormObjection.UnknownRoll()));
        Finding result = good ? Finding.GOOD : sent.read("result", () -> result(sent));
        MultipartFile photo = sent.file("photo");
        Picture picture = sent.read("photo", () -> Picture.of(photo));
        return forms.answer(
                sent,
                "/batches/" + id + "?looked",
                form -> looks.look(
                        member,
                        id,
                        run,
                        new LookService.Seen(
                                FieldErrors.known(roll), FieldErrors.known(result), suspects(sent), form.note()),
                        picture),
                () -> page(id, run, sent));
    }

    /** What was seen; a strong cast or strong grain weighs more than a slight one. */
    private static Finding result(Sent<?> sent) {
        Finding seen = TypedChoice.of(Finding.values(), sent.typed("result"), new FormObjection.UnknownResult());
        if (seen.isHeavy()) {
            throw Refusal.of(new FormObjection.UnknownResult());
        }
        return sent.typed("strength").equals("strong") ? seen.strong() : seen;
    }

    private static Set<Suspect> suspects(Sent<?> sent) {
        Set<Suspect> suspects = EnumSet.noneOf(Suspect.class);
        Arrays.stream(Suspect.values())
                .filter(suspect -> sent.typed().containsKey("suspect-" + suspect.name()))
                .forEach(suspects::add);
        return suspects;
    }

    @PostMapping("/fills/{id}/clips")
    ModelAndView clip(@PathVariable long id, Sent<ClipForm> sent, @AuthenticationPrincipal SignedIn member) {
        Finding result = sent.read("result", () -> result(sent));
        return bottle(id, sent, form -> looks.clip(member, id, FieldErrors.known(result), form.made()));
    }

    @PostMapping("/fills/{id}/looks")
    ModelAndView lookInto(@PathVariable long id, Sent<SignForm> sent, @AuthenticationPrincipal SignedIn member) {
        return bottle(id, sent, form -> looks.look(member, id, form.sign(), form.note()));
    }

    @GetMapping("/fills/{id}/look")
    ModelAndView askAboutBottle(@PathVariable long id) {
        return bottlePage(id, Sent.nothing());
    }

    /** Whoever tested a batch before a run goes back to its plan. */
    private <F extends Record> ModelAndView bottle(long id, Sent<F> sent, Consumer<F> act) {
        return forms.answer(
                sent, LocalAddress.or(sent.typed("back"), "/fills/" + id + "?looked"), act, () -> bottlePage(id, sent));
    }

    /** A bottle that somebody looks into. */
    record BottlePage(long fillId, LookService.InBottle bottle, List<Sign> signs, List<FindingChoice> findings) {}

    private ModelAndView bottlePage(long id, Sent<?> sent) {
        return PageView.of("look/bottle", new BottlePage(id, looks.bottle(id), List.of(Sign.values()), FINDINGS), sent);
    }

    /** The guide to signs. */
    record Signs(String q, String when, List<SignGuide.When> whens, List<SignGuide.Entry> found) {}

    @GetMapping("/signs")
    ModelAndView guide(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String when) {
        List<SignGuide.Entry> found = guide.find(q.substring(0, Math.min(q.length(), WORD_CHARACTERS)), when);
        return PageView.of("look/signs", new Signs(q, when, List.of(SignGuide.When.values()), found));
    }

    /** Dry film that somebody looks at. */
    record FilmPage(LookService.Film film, List<FindingChoice> findings, List<Suspect> suspects) {}

    private ModelAndView page(long id, long run, Sent<?> sent) {
        return PageView.of("look/film", new FilmPage(looks.film(id, run), FINDINGS, List.of(Suspect.values())), sent);
    }
}

package mezcla.web.bench.walk;

import java.util.List;
import java.util.Map;
import mezcla.leaflet.PrintedAmount;
import mezcla.log.AirKept;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.mixing.BenchAct;
import mezcla.mixing.MixingObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.bench.begun.Mixes;
import mezcla.web.cupboard.CupboardService;
import mezcla.web.cupboard.KitView;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedChoice;
import mezcla.web.forms.typed.TypedFigure;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** A mix, act by act, for wet hands. */
@Controller
class BenchController {
    private static final int REASON_CHARACTERS = 200;

    private final BenchService bench;
    private final Mixes mixes;
    private final CupboardService cupboard;
    private final HouseService houses;
    private final OneTimeForms forms;

    BenchController(
            BenchService bench, Mixes mixes, CupboardService cupboard, HouseService houses, OneTimeForms forms) {
        this.houses = houses;
        this.bench = bench;
        this.cupboard = cupboard;
        this.mixes = mixes;
        this.forms = forms;
    }

    /** The bench: what can be mixed, and what is being mixed. */
    record BenchPage(List<KitView> kits, List<BenchView.UnderWay> mixes) {}

    @GetMapping("/bench")
    ModelAndView bench() {
        return PageView.of("bench/bench", new BenchPage(cupboard.kits(), bench.underWay()), new FieldErrors());
    }

    @GetMapping("/mixes/{id}")
    ModelAndView walk(@PathVariable long id) {
        return page(id, Map.of(), new FieldErrors());
    }

    @PostMapping("/mixes/{id}/ticks")
    ModelAndView tick(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        int act = number(typed);
        Double poured = text(typed, "poured").isBlank() ? null : errors.read("poured", () -> poured(id, act, typed));
        Double celsius = text(typed, "celsius").isBlank()
                ? null
                : errors.read("celsius", () -> Temperature.parse(
                                text(typed, "celsius"), Units.shown().temperature())
                        .celsius());
        return done(id, typed, errors, () -> mixes.tick(member, id, act, poured, celsius));
    }

    @PostMapping("/mixes/{id}/undo")
    ModelAndView undo(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        return done(id, typed, new FieldErrors(), () -> mixes.undo(member, id, number(typed)));
    }

    @PostMapping("/mixes/{id}/end")
    ModelAndView finish(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        Long place = text(typed, "place").isEmpty()
                ? null
                : errors.read(
                        "place", () -> TypedChoice.number(text(typed, "place"), new FormObjection.PlaceMissing()));
        AirKept air = text(typed, "air").isEmpty()
                ? null
                : errors.read(
                        "air",
                        () -> TypedChoice.of(AirKept.values(), text(typed, "air"), new FormObjection.UnknownAir()));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> "/batches/" + mixes.finish(member, id, place, air) + "?mixed",
                objection -> objection instanceof FormObjection.PlaceMissing ? "place" : "act",
                () -> page(id, typed, errors));
    }

    @PostMapping("/mixes/{id}/abandon")
    ModelAndView abandon(
            @PathVariable long id, @RequestParam Map<String, String> typed, @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String reason = errors.read(
                "why", () -> TypedText.of(text(typed, "why"), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    long batch = mixes.abandon(member, id, FieldErrors.known(reason));
                    return batch == 0 ? "/bench?abandoned" : "/batches/" + batch + "?mixed";
                },
                objection -> "why",
                () -> page(id, typed, errors));
    }

    private ModelAndView done(long id, Map<String, String> typed, FieldErrors errors, Runnable act) {
        return forms.answer(
                errors,
                text(typed, "formKey"),
                () -> {
                    act.run();
                    return "/mixes/" + id;
                },
                objection -> "act",
                () -> page(id, typed, errors));
    }

    private static String text(Map<String, String> typed, String field) {
        return typed.getOrDefault(field, "");
    }

    private static int number(Map<String, String> typed) {
        String act = text(typed, "act");
        return act.matches("[0-9]{1,4}") ? Integer.parseInt(act) : -1;
    }

    private double poured(long id, int number, Map<String, String> typed) {
        BenchAct act = mixes.one(id).walk().acts().stream()
                .filter(each -> each.number() == number && each.isMeasured())
                .findFirst()
                .orElseThrow(() -> Refusal.of(new MixingObjection.ActOutOfTurn()));
        String text = text(typed, "poured");
        return act.unit().isMeasured()
                ? PrintedAmount.in(text, act.unit(), Units.shown().volume())
                : TypedFigure.of(text.replaceFirst("(?i)\\s*sachets?$", ""), 0, act.amount());
    }

    private ModelAndView page(long id, Map<String, String> typed, FieldErrors errors) {
        Long batch = bench.over(id).orElse(null);
        if (batch != null) {
            return over(batch);
        }
        ModelAndView page = new ModelAndView("bench/walk");
        page.addObject("mix", bench.view(id));
        page.addObject("places", houses.places());
        page.addObject("airs", AirKept.values());
        page.addObject("typed", typed);
        page.addObject("errors", errors);
        page.setStatus(errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    private ModelAndView over(@Nullable Long batch) {
        boolean stands = batch != null && bench.stands(batch);
        return new ModelAndView("redirect:" + (stands ? "/batches/" + batch : "/bench?over"));
    }
}

package mezcla.web.fill;

import java.time.Instant;
import java.util.List;
import java.util.function.Consumer;
import mezcla.batch.FillState;
import mezcla.log.AirKept;
import mezcla.log.Bottle;
import mezcla.log.Place;
import mezcla.measure.Volume;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.look.LifeService;
import mezcla.web.settings.HouseService;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The page of one bottle. */
@Controller
class FillController {
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

    /** A bottle that broke. */
    @RefusedAt("broken")
    record BrokenForm() {}

    /** What was spilled. */
    record SpillForm(@Takes(field = "spilled") Volume lost) {}

    /** What is still there. */
    record MeasureForm(@Takes(field = "measured") Volume there) {}

    /** Why a bottle must not be used, or may be again. */
    record ReasonForm(@Takes(most = 200, or = FormObjection.ReasonMissing.class) String why) {}

    /** Another bottle or place. */
    record MoveForm(
            @Takes(or = FormObjection.BottleMissing.class) long bottle,
            @Takes(or = FormObjection.PlaceMissing.class) @Nullable Long place,
            @Takes(or = FormObjection.UnknownAir.class) AirKept air,
            @Takes(asTyped = true) String since) {}

    @GetMapping("/fills/{id}")
    ModelAndView fill(@PathVariable long id) {
        return page(id, Sent.nothing());
    }

    /** A bottle that broke: one press, by whoever is there. */
    @PostMapping("/fills/{id}/breaks")
    ModelAndView broke(@PathVariable long id, Sent<BrokenForm> sent, @AuthenticationPrincipal SignedIn member) {
        return done(id, sent, "broken", form -> fills.broke(member, id));
    }

    @PostMapping("/fills/{id}/spills")
    ModelAndView spill(@PathVariable long id, Sent<SpillForm> sent, @AuthenticationPrincipal SignedIn member) {
        return done(id, sent, "spilled", form -> fills.spill(member, id, form.lost()));
    }

    @PostMapping("/fills/{id}/measurements")
    ModelAndView measure(@PathVariable long id, Sent<MeasureForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                form -> "/fills/" + id + (fills.measure(member, id, form.there()) ? "?measured&less" : "?measured"),
                () -> page(id, sent));
    }

    @PostMapping("/fills/{id}/bars")
    ModelAndView bar(@PathVariable long id, Sent<ReasonForm> sent, @AuthenticationPrincipal SignedIn member) {
        return done(id, sent, "barred", form -> fills.bar(member, id, form.why()));
    }

    @PostMapping("/fills/{id}/lifts")
    ModelAndView lift(@PathVariable long id, Sent<ReasonForm> sent, @AuthenticationPrincipal SignedIn member) {
        return done(id, sent, "lifted", form -> fills.lift(member, id, form.why()));
    }

    @PostMapping("/fills/{id}/moves")
    ModelAndView move(@PathVariable long id, Sent<MoveForm> sent, @AuthenticationPrincipal SignedIn member) {
        Instant since =
                sent.typed("since").isBlank() ? null : sent.read("since", () -> fills.since(id, sent.typed("since")));
        return done(id, sent, "moved", form -> fills.move(member, id, form.bottle(), form.place(), form.air(), since));
    }

    private <F extends Record> ModelAndView done(long id, Sent<F> sent, String done, Consumer<F> act) {
        return forms.answer(sent, "/fills/" + id + "?" + done, act, () -> page(id, sent));
    }

    /** A bottle, and what can be said of it. */
    record Page(
            FillView fill,
            LifeService.Life life,
            FillState.Kept kept,
            List<Bottle> bottles,
            List<Place> places,
            List<AirKept> airs) {}

    private ModelAndView page(long id, Sent<?> sent) {
        return PageView.of(
                "fill/fill",
                new Page(
                        fills.fill(id),
                        life.ofFill(id),
                        fills.kept(id),
                        fills.bottlesFor(id),
                        houses.places(),
                        List.of(AirKept.values())),
                sent);
    }
}

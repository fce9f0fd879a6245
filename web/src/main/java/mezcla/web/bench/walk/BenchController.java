package mezcla.web.bench.walk;

import java.util.List;
import mezcla.leaflet.PrintedAmount;
import mezcla.log.AirKept;
import mezcla.log.Place;
import mezcla.measure.Refusal;
import mezcla.measure.Temperature;
import mezcla.mixing.BenchAct;
import mezcla.mixing.MixingObjection;
import mezcla.web.access.SignedIn;
import mezcla.web.cupboard.CupboardService;
import mezcla.web.cupboard.KitView;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.FieldReader;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedFigure;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** A mix, act by act, for wet hands. */
@Controller
class BenchController {
    private static final int NO_ACT = -1;

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
        return PageView.of("bench/bench", new BenchPage(cupboard.kits(), bench.underWay()));
    }

    /** An act that was done, and what was really poured. */
    @RefusedAt("act")
    record TickForm(
            @Takes(by = Act.class) @Nullable Integer act,
            @Takes(asTyped = true) String poured,
            @Nullable Temperature celsius) {}

    /** An act that is taken back. */
    record UndoForm(@Takes(by = Act.class) @Nullable Integer act) {}

    /** The number of an act; one that is none is out of turn. */
    static final class Act implements FieldReader<Integer> {
        @Override
        public Integer read(String typed) {
            return typed.matches("[0-9]{1,4}") ? Integer.parseInt(typed) : NO_ACT;
        }
    }

    /** Where the bottles stand. */
    @RefusedAt("act")
    record EndForm(
            @Takes(or = FormObjection.PlaceMissing.class) @Nullable Long place,
            @Takes(or = FormObjection.UnknownAir.class) @Nullable AirKept air) {}

    /** Why a mix is given up. */
    record AbandonForm(@Takes(most = 200, or = FormObjection.ReasonMissing.class) String why) {}

    @GetMapping("/mixes/{id}")
    ModelAndView walk(@PathVariable long id) {
        return page(id, Sent.nothing());
    }

    @PostMapping("/mixes/{id}/ticks")
    ModelAndView tick(@PathVariable long id, Sent<TickForm> sent, @AuthenticationPrincipal SignedIn member) {
        Double poured =
                sent.typed("poured").isBlank() ? null : sent.read("poured", () -> poured(id, number(sent), sent));
        return forms.answer(
                sent,
                "/mixes/" + id,
                form -> mixes.tick(
                        member,
                        id,
                        number(sent),
                        poured,
                        form.celsius() == null ? null : form.celsius().celsius()),
                () -> page(id, sent));
    }

    @PostMapping("/mixes/{id}/undo")
    ModelAndView undo(@PathVariable long id, Sent<UndoForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(sent, "/mixes/" + id, form -> mixes.undo(member, id, number(sent)), () -> page(id, sent));
    }

    private static int number(Sent<?> sent) {
        return new Act().read(sent.typed("act"));
    }

    @PostMapping("/mixes/{id}/end")
    ModelAndView finish(@PathVariable long id, Sent<EndForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                form -> "/batches/" + mixes.finish(member, id, form.place(), form.air()) + "?mixed",
                () -> page(id, sent));
    }

    @PostMapping("/mixes/{id}/abandon")
    ModelAndView abandon(@PathVariable long id, Sent<AbandonForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                form -> {
                    long batch = mixes.abandon(member, id, form.why());
                    return batch == 0 ? "/bench?abandoned" : "/batches/" + batch + "?mixed";
                },
                () -> page(id, sent));
    }

    private double poured(long id, int number, Sent<?> sent) {
        BenchAct act = mixes.one(id).walk().acts().stream()
                .filter(each -> each.number() == number && each.isMeasured())
                .findFirst()
                .orElseThrow(() -> Refusal.of(new MixingObjection.ActOutOfTurn()));
        String text = sent.typed("poured");
        return act.unit().isMeasured()
                ? PrintedAmount.in(text, act.unit(), Units.shown().volume())
                : TypedFigure.of(text.replaceFirst("(?i)\\s*sachets?$", ""), 0, act.amount());
    }

    /** A mix, act by act. */
    record WalkPage(BenchView mix, List<Place> places, List<AirKept> airs) {}

    private ModelAndView page(long id, Sent<?> sent) {
        Long batch = bench.over(id).orElse(null);
        return batch != null
                ? over(batch)
                : PageView.of(
                        "bench/walk", new WalkPage(bench.view(id), houses.places(), List.of(AirKept.values())), sent);
    }

    private ModelAndView over(@Nullable Long batch) {
        boolean stands = batch != null && bench.stands(batch);
        return new ModelAndView("redirect:" + (stands ? "/batches/" + batch : "/bench?over"));
    }
}

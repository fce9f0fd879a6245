package mezcla.web.run.underway;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mezcla.log.AirKept;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.processing.RunProgress;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.ribbon.shown.PracticeReport;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import mezcla.web.settings.HouseService;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.ModelAndView;

/** A run that has been started: how it went, or that it did not take place. */
@Controller
class UnderWayController {
    private static final int REASON_CHARACTERS = 200;

    private final RunService runs;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final RibbonService ribbon;
    private final EveningService evenings;
    private final LogClock clock;

    UnderWayController(
            RunService runs,
            HouseService houses,
            OneTimeForms forms,
            LogClock clock,
            RibbonService ribbon,
            EveningService evenings) {
        this.evenings = evenings;
        this.ribbon = ribbon;
        this.runs = runs;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    /** How a run went. */
    @RefusedAt("run")
    record EndForm(
            @Takes(asTyped = true) String when,
            @Nullable String hangs,
            @Takes(or = FormObjection.UnknownAir.class) @Nullable AirKept air) {}

    /** Why a run was given up half way. */
    @RefusedAt("run")
    record GivenUpForm(@Takes(asTyped = true) String when, @Takes(asTyped = true) String why, List<String> reached) {}

    /** Why a run does not take place. */
    @RefusedAt("run")
    record OffForm(
            @Takes(asTyped = true) String when,
            @Takes(most = 200, or = FormObjection.ReasonMissing.class) String why) {}

    @GetMapping("/runs/{started}")
    ModelAndView underWay(@PathVariable long started, @AuthenticationPrincipal SignedIn member) {
        return page(started, Sent.nothing(), true, member);
    }

    @PostMapping("/runs/{started}/end")
    ModelAndView finish(@PathVariable long started, Sent<EndForm> sent, @AuthenticationPrincipal SignedIn member) {
        RunEndTyped typed = new RunEndTyped(sent);
        Optional<RunService.UnderWay> running = runs.find(started);
        List<Roll> rolls = typed.rolls(running.map(run -> run.batch().process()).orElse(null));
        Instant when = sent.read("when", () -> typed.moment(houses.house().timeZone()));
        running.ifPresent(run -> run.start().baths().forEach(typed::really));
        return forms.answer(
                sent,
                form -> {
                    runs.find(started)
                            .ifPresent(run ->
                                    runs.refuseTwice(run.start().batchId(), rolls, when, typed.ticked("others")));
                    long batch = runs.finish(
                            member,
                            started,
                            rolls,
                            typed::really,
                            when,
                            typed.ticked("about"),
                            form.air(),
                            form.hangs());
                    return evenings.planned() > 0 ? "/evening?logged" : "/batches/" + batch + "?logged";
                },
                () -> page(started, sent, false, member));
    }

    @PostMapping("/runs/{started}/abandonment")
    ModelAndView abandon(@PathVariable long started, Sent<GivenUpForm> sent, @AuthenticationPrincipal SignedIn member) {
        String why = sent.read(
                "gaveUp", () -> TypedText.of(sent.typed("why"), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        Set<Long> reached = new RunEndTyped(sent).reached();
        return forms.answer(
                sent,
                form -> {
                    RunEndTyped confirmed = confirmed(started);
                    long batch = runs.abandon(member, started, reached, confirmed::really, FieldErrors.known(why));
                    return "/batches/" + batch + "?abandoned";
                },
                () -> page(started, sent, true, member));
    }

    /** How long the film was in each bath, as far as that was confirmed on the ribbon. */
    private RunEndTyped confirmed(long started) {
        RibbonService.Running running = ribbon.running(started);
        RunEndTyped confirmed = new RunEndTyped(Sent.<Asked>nothing());
        confirmed.beginWith(running, ribbon.progress(running));
        return confirmed;
    }

    @PostMapping("/runs/{started}/call-off")
    ModelAndView callOff(@PathVariable long started, Sent<OffForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                form -> "/batches/" + runs.callOff(member, started, form.why()) + "?off",
                () -> page(started, sent, true, member));
    }

    /** What became of bottles, in words. */
    public record Barred(String sentence) {}

    /** Bars the bottles that must not be used after what went wrong. */
    @PostMapping("/runs/{started}/bars")
    @ResponseBody
    Barred bar(@PathVariable long started, @AuthenticationPrincipal SignedIn member) {
        int barred = runs.barSpoiled(member, started);
        return new Barred(
                barred == 0
                        ? "Barred already."
                        : "%s for everyone. A steward lifts that."
                                .formatted(barred == 1 ? "One bottle is barred" : barred + " bottles are barred"));
    }

    /**
     * A run that is under way.
     *
     * @param run it; null where it is over
     * @param report what became of what was played of it; null for nothing
     * @param mayCallOff whether whoever looks may call it off
     */
    record Page(
            @Nullable UnderWayView run,
            @Nullable PracticeReport report,
            boolean mayCallOff,
            long started,
            RunEndTyped form,
            List<FilmFormat> formats,
            List<AirKept> airs) {}

    private ModelAndView page(long started, Sent<?> sent, boolean asPlanned, SignedIn member) {
        Optional<RunService.UnderWay> run = runs.find(started);
        RunEndTyped typed = new RunEndTyped(sent);
        PracticeReport report =
                asPlanned ? run.map(each -> beginWith(each, typed)).orElse(null) : null;
        sent.begin("formKey", forms.newKey());
        return PageView.of(
                "run/under-way",
                new Page(
                        run.map(each -> UnderWayView.of(each, houses.house(), clock.instant()))
                                .orElse(null),
                        report,
                        run.filter(each -> runs.mayCallOff(member, each.start()))
                                .isPresent(),
                        started,
                        typed,
                        List.of(FilmFormat.values()),
                        List.of(AirKept.values())),
                sent);
    }

    /** Begins with what was planned, and goes on with what was confirmed; what became of that, where anything was. */
    private @Nullable PracticeReport beginWith(RunService.UnderWay run, RunEndTyped typed) {
        typed.beginWith(run.start());
        RibbonService.Running running = ribbon.running(run.start().stamp().sequence());
        RunProgress progress = ribbon.progress(running);
        typed.beginWith(running, progress);
        return progress.passed().isEmpty() ? null : ribbon.report(running);
    }
}

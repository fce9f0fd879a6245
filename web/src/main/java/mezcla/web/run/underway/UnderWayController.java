package mezcla.web.run.underway;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mezcla.log.AirKept;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.TypedObjection;
import mezcla.processing.RunProgress;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.Beside;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.ribbon.PracticeReport;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.ModelAndView;

/** A run that has been started: how it went, or that it did not take place. */
@Controller
class UnderWayController {
    private static final int REASON_CHARACTERS = 200;
    private static final int HANGS_CHARACTERS = 60;

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

    @GetMapping("/runs/{started}")
    ModelAndView underWay(@PathVariable long started) {
        RunEndForm form = new RunEndForm();
        form.setFormKey(forms.newKey());
        return page(started, form, new FieldErrors(), true);
    }

    @PostMapping("/runs/{started}/end")
    ModelAndView finish(
            @PathVariable long started,
            @ModelAttribute("form") RunEndForm form,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        List<Roll> rolls = form.rolls(
                errors, runs.find(started).map(run -> run.batch().process()).orElse(null));
        String hangs = form.getHangs().isBlank()
                ? null
                : errors.read(
                        "hangs", () -> TypedText.of(form.getHangs(), HANGS_CHARACTERS, new TypedObjection.Missing()));
        Instant when = errors.read("when", () -> form.moment(houses.house()));
        AirKept air = errors.read("air", form::airKept);
        runs.find(started).ifPresent(run -> run.start().baths().forEach(bath -> form.really(bath, errors)));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> {
                    runs.find(started)
                            .ifPresent(run -> runs.refuseTwice(run.start().batchId(), rolls, when, form.isOthers()));
                    long batch = runs.finish(
                            member,
                            started,
                            rolls,
                            bath -> form.really(bath, errors),
                            when,
                            form.isAbout(),
                            air,
                            hangs);
                    return evenings.planned() > 0 ? "/evening?logged" : "/batches/" + batch + "?logged";
                },
                Beside.field("run").or("when"),
                () -> page(started, form, errors, false));
    }

    @PostMapping("/runs/{started}/abandonment")
    ModelAndView abandon(
            @PathVariable long started,
            @ModelAttribute("form") RunEndForm form,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String why = errors.read(
                "gaveUp", () -> TypedText.of(form.getWhy(), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> {
                    RunEndForm confirmed = confirmed(started);
                    long batch = runs.abandon(
                            member,
                            started,
                            form.getReached(),
                            bath -> confirmed.really(bath, errors),
                            FieldErrors.known(why));
                    return "/batches/" + batch + "?abandoned";
                },
                Beside.field("run").or("when", "reached"),
                () -> {
                    Set<Long> typed = Set.copyOf(form.getReached());
                    ModelAndView again = page(started, form, errors, true);
                    form.setReached(typed);
                    return again;
                });
    }

    /** How long the film was in each bath, as far as that was confirmed on the ribbon. */
    private RunEndForm confirmed(long started) {
        RibbonService.Running running = ribbon.running(started);
        RunEndForm confirmed = new RunEndForm();
        confirmed.beginWith(running, ribbon.progress(running));
        return confirmed;
    }

    @PostMapping("/runs/{started}/call-off")
    ModelAndView callOff(
            @PathVariable long started,
            @ModelAttribute("form") RunEndForm form,
            @AuthenticationPrincipal SignedIn member) {
        FieldErrors errors = new FieldErrors();
        String why = errors.read(
                "why", () -> TypedText.of(form.getWhy(), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> "/batches/" + runs.callOff(member, started, FieldErrors.known(why)) + "?off",
                Beside.field("run").or("when"),
                () -> page(started, form, errors, true));
    }

    /**
     * What became of bottles.
     *
     * @param sentence in words
     */
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
     */
    record Page(
            @Nullable UnderWayView run,
            @Nullable PracticeReport report,
            long started,
            RunEndForm form,
            List<FilmFormat> formats,
            List<AirKept> airs) {}

    private ModelAndView page(long started, RunEndForm form, FieldErrors errors, boolean asPlanned) {
        Optional<RunService.UnderWay> run = runs.find(started);
        PracticeReport report =
                asPlanned ? run.map(each -> beginWith(each, form)).orElse(null) : null;
        form.padded();
        return PageView.of(
                "run/under-way",
                new Page(
                        run.map(each -> UnderWayView.of(each, houses.house(), clock.instant()))
                                .orElse(null),
                        report,
                        started,
                        form,
                        List.of(FilmFormat.values()),
                        List.of(AirKept.values())),
                errors);
    }

    /** Begins with what was planned, and goes on with what was confirmed; what became of that, where anything was. */
    private @Nullable PracticeReport beginWith(RunService.UnderWay run, RunEndForm form) {
        form.beginWith(run.start());
        RibbonService.Running running = ribbon.running(run.start().stamp().sequence());
        RunProgress progress = ribbon.progress(running);
        form.beginWith(running, progress);
        return progress.passed().isEmpty() ? null : ribbon.report(running);
    }
}

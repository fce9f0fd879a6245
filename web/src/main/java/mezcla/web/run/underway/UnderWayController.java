package mezcla.web.run.underway;

import java.time.Instant;
import java.util.List;
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
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
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
    ModelAndView underWay(@PathVariable long started, Model model) {
        RunEndForm form = new RunEndForm();
        form.setFormKey(forms.newKey());
        return page(started, form, new FieldErrors(), model, true);
    }

    @PostMapping("/runs/{started}/end")
    ModelAndView finish(
            @PathVariable long started,
            @ModelAttribute("form") RunEndForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
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
                () -> page(started, form, errors, model, false));
    }

    @PostMapping("/runs/{started}/abandonment")
    ModelAndView abandon(
            @PathVariable long started,
            @ModelAttribute("form") RunEndForm form,
            @AuthenticationPrincipal SignedIn member,
            Model model) {
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
                    ModelAndView again = page(started, form, errors, model, true);
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
            @AuthenticationPrincipal SignedIn member,
            Model model) {
        FieldErrors errors = new FieldErrors();
        String why = errors.read(
                "why", () -> TypedText.of(form.getWhy(), REASON_CHARACTERS, new FormObjection.ReasonMissing()));
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> "/batches/" + runs.callOff(member, started, FieldErrors.known(why)) + "?off",
                Beside.field("run").or("when"),
                () -> page(started, form, errors, model, true));
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

    private ModelAndView page(long started, RunEndForm form, FieldErrors errors, Model model, boolean asPlanned) {
        model.addAttribute(
                "run",
                runs.find(started).map(run -> view(run, form, asPlanned, model)).orElse(null));
        model.addAttribute("started", started);
        model.addAttribute("form", form);
        model.addAttribute("errors", errors);
        model.addAttribute("formats", FilmFormat.values());
        model.addAttribute("airs", AirKept.values());
        return new ModelAndView(
                "run/under-way", model.asMap(), errors.none() ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private @Nullable UnderWayView view(RunService.UnderWay run, RunEndForm form, boolean asPlanned, Model model) {
        if (asPlanned) {
            form.beginWith(run.start());
            RibbonService.Running running = ribbon.running(run.start().stamp().sequence());
            RunProgress progress = ribbon.progress(running);
            form.beginWith(running, progress);
            if (!progress.passed().isEmpty()) {
                model.addAttribute("report", ribbon.report(running));
            }
        }
        form.padded();
        return UnderWayView.of(run, houses.house(), clock.instant());
    }
}

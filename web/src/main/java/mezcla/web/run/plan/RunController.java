package mezcla.web.run.plan;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.UnaryOperator;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.house.HouseService;
import mezcla.web.house.Planning;
import mezcla.web.house.Tank;
import mezcla.web.ribbon.usual.UsualWays;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The Run: which batch, and these rolls through that batch. */
@Controller
class RunController {
    private static final int REASON_CHARACTERS = 200;

    private final RunService runs;
    private final HouseService houses;
    private final OneTimeForms forms;
    private final EveningService evenings;
    private final RunPages pages;
    private final LogClock clock;
    private final UsualWays usual;
    private final Planning planning;

    RunController(
            RunService runs,
            HouseService houses,
            OneTimeForms forms,
            LogClock clock,
            EveningService evenings,
            RunPages pages,
            UsualWays usual,
            Planning planning) {
        this.planning = planning;
        this.usual = usual;
        this.evenings = evenings;
        this.pages = pages;
        this.runs = runs;
        this.houses = houses;
        this.forms = forms;
        this.clock = clock;
    }

    @GetMapping("/run")
    ModelAndView possible(@AuthenticationPrincipal SignedIn member) {
        return PageView.of("run/possible", pages.possible(member), new FieldErrors());
    }

    @GetMapping("/batches/{id}/run")
    ModelAndView plan(
            @PathVariable long id,
            @ModelAttribute("form") RunForm form,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn member) {
        if (!forms.isKey(form.getFormKey())) {
            return forms.askAgainWithNewKey();
        }
        UsualWays.Usual way = usual.of(member, runs.batch(id));
        if (!RunForm.choosesIn(typed)) {
            form.choose(way.choices());
        }
        if (form.getFilm().isEmpty()) {
            form.beginWith(member.owner(), form.getTank());
        }
        form.ownedBy(member.owner());
        if (form.getTank().isEmpty()) {
            form.setTank(tankFor(form, id, way));
        }
        return page(id, form, member, new FieldErrors(), false);
    }

    /** The plan again, for browsers without scripts. */
    @PostMapping("/batches/{id}/run")
    ModelAndView planAgain(
            @PathVariable long id, @ModelAttribute("form") RunForm form, @AuthenticationPrincipal SignedIn member) {
        return page(id, form, member, new FieldErrors(), false);
    }

    @PostMapping("/batches/{id}/runs")
    ModelAndView log(
            @PathVariable long id, @ModelAttribute("form") RunForm form, @AuthenticationPrincipal SignedIn member) {
        return sent(id, form, member, asked -> {
            runs.refuseTwice(id, asked.rolls(), form.moment(houses.house()), form.isOthers());
            long logged = log(member, id, asked, form);
            evenings.drop(form.loadId());
            return "/batches/" + id + "?logged=" + logged;
        });
    }

    private long log(SignedIn member, long id, RunService.Asked asked, RunForm form) {
        Instant when = form.moment(houses.house());
        UnaryOperator<RunBath> really = bath -> {
            Integer took = form.readTook(bath.fillId());
            return took == null ? bath : bath.really(took, bath.celsius());
        };
        if (when == null && !form.isAbout()) {
            return runs.log(member, id, asked, form.choices(), form.isDone(), really);
        }
        return runs.logEarlier(
                member, id, asked, when == null ? clock.instant() : when, form.isAbout(), form.choices(), really);
    }

    @PostMapping("/batches/{id}/starts")
    ModelAndView start(
            @PathVariable long id, @ModelAttribute("form") RunForm form, @AuthenticationPrincipal SignedIn member) {
        return sent(id, form, member, asked -> {
            refuseUnknownFilm(id, form, asked.rolls());
            return "/runs/" + start(member, id, asked, form) + "/ribbon";
        });
    }

    /** Film of which nobody said what it is, or that is not made for this, is asked about first (rules, section 14). */
    private void refuseUnknownFilm(long id, RunForm form, List<Roll> rolls) {
        if (form.isFilmTypeMissing() && runs.hasSeveralProcesses()) {
            throw Refusal.of(new FormObjection.FilmTypeMissing());
        }
        rolls.stream()
                .map(Roll::film)
                .filter(film -> film != null && film.madeFor() != null && !form.isCross())
                .findFirst()
                .ifPresent(film -> {
                    throw Refusal.of(new FormObjection.AnotherProcess(
                            FilmProcess.of(Objects.requireNonNull(film.madeFor()))
                                    .name(),
                            runs.batch(id).process().name()));
                });
    }

    private long start(SignedIn member, long id, RunService.Asked asked, RunForm form) {
        long started = runs.start(member, id, asked, form.seenSequence(), form.choices(), form.probeChoice());
        evenings.begin(form.loadId(), started);
        return started;
    }

    @PostMapping("/batches/{id}/loads")
    ModelAndView load(
            @PathVariable long id, @ModelAttribute("form") RunForm form, @AuthenticationPrincipal SignedIn member) {
        return sent(id, form, member, asked -> {
            refuseUnknownFilm(id, form, asked.rolls());
            evenings.add(member, id, asked.rolls(), asked.tank(), form);
            return "/evening?planned";
        });
    }

    /** Keeps how this run is planned as the way of the house. */
    @PreAuthorize("hasRole('STEWARD')")
    @PostMapping("/batches/{id}/ways")
    ModelAndView way(
            @PathVariable long id, @ModelAttribute("form") RunForm form, @AuthenticationPrincipal SignedIn member) {
        return sent(id, form, member, asked -> {
            usual.keep(member, runs.batch(id).process(), form.choices());
            return "/batches/" + id + "/run?" + form.query() + "&kept&formKey=" + forms.newKey();
        });
    }

    @PostMapping("/batches/{id}/overrides")
    ModelAndView override(
            @PathVariable long id, @ModelAttribute("form") RunForm form, @AuthenticationPrincipal SignedIn member) {
        return sent(id, form, member, asked -> {
            long passed = runs.override(
                    member,
                    id,
                    asked,
                    TypedText.of(form.getWhy(), REASON_CHARACTERS, new FormObjection.OverrideReasonMissing()));
            form.setPassed(passed == 0 ? "" : Long.toString(passed));
            return "/batches/" + id + "/run?" + form.query() + "&formKey=" + forms.newKey();
        });
    }

    /** What a form asks for, once it is read. */
    private interface Act {
        String on(RunService.Asked asked);
    }

    private ModelAndView sent(long id, RunForm form, SignedIn member, Act act) {
        FieldErrors errors = new FieldErrors();
        List<Roll> rolls = form.rolls(errors, runs.batch(id).process());
        form.readSteps(errors);
        Tank tank = errors.read(
                "tank", () -> houses.tank(form.tankId()).moved(form.choices().movement()));
        Double celsius = errors.read("celsius", form::readCelsius);
        pages.readTimes(form, errors);
        AtomicBoolean movedOn = new AtomicBoolean();
        return forms.answer(
                errors,
                form.getFormKey(),
                () -> act.on(new RunService.Asked(rolls, Objects.requireNonNull(tank), celsius, form.passedRow())),
                objection -> {
                    movedOn.set(objection instanceof FormObjection.MovedOn);
                    return RunPages.fieldOf(objection);
                },
                () -> page(id, form, member, errors, movedOn.get()));
    }

    private ModelAndView page(long id, RunForm form, SignedIn member, FieldErrors errors, boolean movedOn) {
        return PageView.of("run/run", pages.plan(id, form, member, errors, movedOn), errors);
    }

    /** The tank of the member's last run, unless the film does not go into it; then the smallest that it goes into. */
    private String tankFor(RunForm form, long id, UsualWays.Usual way) {
        List<Roll> rolls = form.rolls(new FieldErrors(), runs.batch(id).process());
        return houses.tanks().stream()
                .filter(tank -> Long.valueOf(tank.id()).equals(way.tankId()))
                .filter(tank -> tank.fit(rolls).objection().isEmpty())
                .findFirst()
                .or(() -> way.choices().movement() == Movement.ROTARY
                        ? planning.turnedTank()
                                .filter(tank -> tank.fit(rolls).objection().isEmpty())
                        : Optional.empty())
                .or(() -> planning.smallestFor(rolls))
                .or(() -> houses.tanks().stream().findFirst())
                .map(tank -> Long.toString(tank.id()))
                .orElse("");
    }
}

package mezcla.web.run.plan;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.web.access.SignedIn;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.forms.typed.TypedText;
import mezcla.web.ribbon.usual.UsualWays;
import mezcla.web.run.course.RunService;
import mezcla.web.run.evening.EveningService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
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
        return PageView.of("run/possible", pages.possible(member));
    }

    /** Film, tank and way of a run; what it says is read by {@link RunTyped}. */
    @RefusedAt(
            value = "run",
            of = {"film=count0", "temperature=celsius"})
    record RunForm(
            @Takes(asTyped = true) String push,
            @Takes(asTyped = true) String tank,
            @Takes(asTyped = true) String steps,
            @Takes(asTyped = true) String probe,
            @Takes(asTyped = true) String when,
            @Takes(asTyped = true) String why,
            @Takes(asTyped = true) String madeFor) {}

    @GetMapping("/batches/{id}/run")
    ModelAndView plan(@PathVariable long id, Sent<RunForm> sent, @AuthenticationPrincipal SignedIn member) {
        if (!forms.isKey(sent.key())) {
            return forms.askAgainWithNewKey();
        }
        RunTyped typed = new RunTyped(sent);
        UsualWays.Usual way = usual.of(member, runs.batch(id));
        if (!typed.isChoosing()) {
            typed.choose(way.choices());
        }
        if (typed.isUntyped()) {
            typed.beginWith(member.owner());
        }
        typed.ownedBy(member.owner());
        if (typed.at("tank").isEmpty()) {
            sent.put("tank", tankFor(typed, id, way));
        }
        return page(id, sent, member, false);
    }

    /** The plan again, for browsers without scripts. */
    @PostMapping("/batches/{id}/run")
    ModelAndView planAgain(@PathVariable long id, Sent<RunForm> sent, @AuthenticationPrincipal SignedIn member) {
        return page(id, sent, member, false);
    }

    @PostMapping("/batches/{id}/runs")
    ModelAndView log(@PathVariable long id, Sent<RunForm> sent, @AuthenticationPrincipal SignedIn member) {
        return sent(id, sent, member, (asked, typed) -> {
            ZoneId zone = houses.house().timeZone();
            runs.refuseTwice(id, asked.rolls(), typed.moment(zone), typed.ticked("others"));
            long logged = log(member, id, asked, typed, zone);
            evenings.over(typed.loadId(), null);
            return "/batches/" + id + "?logged=" + logged;
        });
    }

    private long log(SignedIn member, long id, RunService.Asked asked, RunTyped typed, ZoneId zone) {
        Instant when = typed.moment(zone);
        boolean about = typed.ticked("about");
        UnaryOperator<RunBath> really = bath -> {
            Integer took = typed.readTook(bath.fillId());
            return took == null ? bath : bath.really(took, bath.celsius());
        };
        if (when == null && !about) {
            return runs.log(member, id, asked, typed.choices(), typed.ticked("done"), really);
        }
        return runs.logEarlier(
                member, id, asked, when == null ? clock.instant() : when, about, typed.choices(), really);
    }

    @PostMapping("/batches/{id}/starts")
    ModelAndView start(@PathVariable long id, Sent<RunForm> sent, @AuthenticationPrincipal SignedIn member) {
        return sent(id, sent, member, (asked, typed) -> {
            refuseUnknownFilm(id, typed, asked.rolls());
            long started = runs.start(member, id, asked, typed.seenSequence(), typed.choices(), typed.probeChoice());
            evenings.begin(typed.loadId(), started);
            return "/runs/" + started + "/ribbon";
        });
    }

    /** Film of which nobody said what it is, or that is not made for this, is asked about first (rules, section 14). */
    private void refuseUnknownFilm(long id, RunTyped typed, List<Roll> rolls) {
        if (typed.isFilmTypeMissing() && runs.hasSeveralProcesses()) {
            throw Refusal.of(new FormObjection.FilmTypeMissing());
        }
        rolls.stream()
                .map(Roll::film)
                .filter(film -> film != null && film.madeFor() != null && !typed.ticked("cross"))
                .findFirst()
                .ifPresent(film -> {
                    throw Refusal.of(new FormObjection.AnotherProcess(
                            FilmProcess.of(Objects.requireNonNull(film.madeFor()))
                                    .name(),
                            runs.batch(id).process().name()));
                });
    }

    @PostMapping("/batches/{id}/loads")
    ModelAndView load(@PathVariable long id, Sent<RunForm> sent, @AuthenticationPrincipal SignedIn member) {
        return sent(id, sent, member, (asked, typed) -> {
            refuseUnknownFilm(id, typed, asked.rolls());
            evenings.add(
                    member,
                    id,
                    asked.rolls(),
                    asked.tank(),
                    new EveningService.How(typed.choices(), asked.celsius(), typed.at("probe")));
            return "/evening?planned";
        });
    }

    /** Keeps how this run is planned as the way of the house. */
    @PreAuthorize("hasRole('STEWARD')")
    @PostMapping("/batches/{id}/ways")
    ModelAndView way(@PathVariable long id, Sent<RunForm> sent, @AuthenticationPrincipal SignedIn member) {
        return sent(id, sent, member, (asked, typed) -> {
            usual.keep(member, runs.batch(id).process(), typed.choices());
            return "/batches/" + id + "/run?" + typed.query() + "&kept&formKey=" + forms.newKey();
        });
    }

    @PostMapping("/batches/{id}/overrides")
    ModelAndView override(@PathVariable long id, Sent<RunForm> sent, @AuthenticationPrincipal SignedIn member) {
        String why = sent.read(
                "why",
                () -> TypedText.of(sent.typed("why"), REASON_CHARACTERS, new FormObjection.OverrideReasonMissing()));
        return sent(id, sent, member, (asked, typed) -> {
            long passed = runs.override(member, id, asked, FieldErrors.known(why));
            sent.put("passed", passed == 0 ? "" : Long.toString(passed));
            return "/batches/" + id + "/run?" + typed.query() + "&formKey=" + forms.newKey();
        });
    }

    /** What a form asks for, once it is read. */
    private interface Act {
        String on(RunService.Asked asked, RunTyped typed);
    }

    private <F extends Record> ModelAndView sent(long id, Sent<F> sent, SignedIn member, Act act) {
        RunTyped typed = new RunTyped(sent);
        List<Roll> rolls = typed.rolls(runs.batch(id).process());
        typed.readSteps();
        Tank tank = sent.read(
                "tank", () -> houses.tank(typed.tankId()).moved(typed.choices().movement()));
        Double celsius = typed.readCelsius();
        typed.readTimes();
        return forms.answer(
                sent,
                form -> act.on(
                        new RunService.Asked(rolls, Objects.requireNonNull(tank), celsius, typed.passedRow()), typed),
                () -> page(id, sent, member, sent.errors().refused("run", "moved-on")));
    }

    private ModelAndView page(long id, Sent<?> sent, SignedIn member, boolean movedOn) {
        return PageView.of("run/run", pages.plan(id, sent, member, movedOn), sent);
    }

    /** The tank of the member’s last run, unless the film does not go into it; then the smallest that it goes into. */
    private String tankFor(RunTyped typed, long id, UsualWays.Usual way) {
        List<Roll> rolls = typed.rolls(runs.batch(id).process());
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

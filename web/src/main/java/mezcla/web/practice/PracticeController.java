package mezcla.web.practice;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.log.RunLogged;
import mezcla.measure.Refusal;
import mezcla.processing.Exercise;
import mezcla.processing.Movement;
import mezcla.processing.RunSteps;
import mezcla.processing.SimulatedBath;
import mezcla.web.access.SignedIn;
import mezcla.web.drawing.plot.RunDrawing;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.Query;
import mezcla.web.forms.declared.FieldReader;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.ribbon.RibbonPage;
import mezcla.web.ribbon.RibbonService;
import mezcla.web.ribbon.RibbonView;
import mezcla.web.ribbon.Watched;
import mezcla.web.ribbon.shown.PracticeReport;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.ModelAndView;

/** Practice, and what stewards sign off. */
@Controller
class PracticeController {
    private static final List<Integer> SPEEDS = List.of(1, 5, 20);

    private final PracticeService practice;
    private final RibbonService ribbon;
    private final RibbonPage page;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final OneTimeForms forms;

    PracticeController(
            PracticeService practice,
            RibbonService ribbon,
            RibbonPage page,
            Leaflets leaflets,
            HouseService houses,
            OneTimeForms forms) {
        this.practice = practice;
        this.ribbon = ribbon;
        this.page = page;
        this.leaflets = leaflets;
        this.houses = houses;
        this.forms = forms;
    }

    /** What can be practised. */
    record PracticePage(
            List<Leaflets.Sheet> sheets,
            List<Integer> speeds,
            List<Movement> movements,
            List<SimulatedBath.Fault> faults,
            List<Line> practised) {}

    @GetMapping("/practice")
    ModelAndView practice(@AuthenticationPrincipal SignedIn member) {
        return PageView.of(
                "practice/practice",
                new PracticePage(
                        leaflets.offered(),
                        SPEEDS,
                        List.of(Movement.values()),
                        List.of(SimulatedBath.Fault.values()),
                        practice.practisedBy(member).stream().map(this::line).toList()),
                new FieldErrors());
    }

    /**
     * A practice on a list.
     *
     * @param id which one
     * @param words whose leaflet, when, and what it came to
     * @param signed who signed it off; empty for nobody
     */
    public record Line(long id, String words, String signed) {}

    private Line line(PracticeService.Practised practised) {
        return new Line(
                practised.id(),
                "%s, %s: %s"
                        .formatted(
                                practised.leaflet(),
                                day(practised.at()),
                                Figures.within(practised.report().title())),
                signed(practised.signed()));
    }

    private String signed(PracticeService.@Nullable Signed signed) {
        return signed == null ? "" : "signed off by %s, %s".formatted(signed.steward(), day(signed.at()));
    }

    private String day(Instant at) {
        return Figures.day(at, houses.house().timeZone());
    }

    /** What lies in the bag, the drill, and what it should feel like. */
    @GetMapping("/practice/loading")
    String loading() {
        return "practice/loading";
    }

    /** Begins with the one choice that was made, and whatever else was chosen. */
    @GetMapping("/practice/begin")
    String begin(@RequestParam(defaultValue = "") String leaflet, @RequestParam Map<String, String> typed) {
        Query address = new Query();
        List.of("speed", "movement", "fault").forEach(choice -> address.with(choice, typed.getOrDefault(choice, "")));
        boolean known = leaflet.matches("[0-9]{1,9}");
        return "redirect:/practice" + (known ? "/" + leaflet + "?" + address : "");
    }

    @GetMapping("/practice/{leaflet}")
    String practise(
            @PathVariable long leaflet,
            @RequestParam(defaultValue = "1") int speed,
            @RequestParam(defaultValue = "PRINTED") Movement movement,
            @RequestParam(defaultValue = "NONE") SimulatedBath.Fault fault,
            Model model) {
        Exercise exercise = exercise(leaflet, movement, fault);
        RunSteps steps = exercise.steps();
        int times = SPEEDS.contains(speed) ? speed : 1;
        model.addAttribute("leaflet", leaflet);
        model.addAttribute("movement", movement);
        model.addAttribute("fault", fault);
        model.addAttribute("speed", times);
        return page.show(
                RibbonView.of(steps, 0, times, ribbon.now(), ribbon.zone(), Map.of(), Map.of(), 0, List.of()),
                steps,
                "Practice with %s, without film or chemistry%s"
                        .formatted(exercise.leaflet().name(), times == 1 ? "" : ", " + times + " times as fast"),
                true,
                model);
    }

    private Exercise exercise(long leaflet, Movement movement, SimulatedBath.Fault fault) {
        return practice.exercise(leaflet, RunSteps.Choices.USUAL.moved(movement), fault);
    }

    /** What the simulated probe shows at a moment of the practice, whose clock may be fast. */
    @PostMapping("/practice/{leaflet}/probe")
    @ResponseBody
    Watched probe(
            @PathVariable long leaflet,
            @RequestParam(defaultValue = "[]") String events,
            @RequestParam(defaultValue = "0") long now,
            @RequestParam(defaultValue = "PRINTED") Movement movement,
            @RequestParam(defaultValue = "NONE") SimulatedBath.Fault fault) {
        return practice.watched(exercise(leaflet, movement, fault), practice.read(events), RibbonService.moment(now));
    }

    @PostMapping("/practice/{leaflet}/report")
    ModelAndView report(
            @PathVariable long leaflet,
            @RequestParam(defaultValue = "[]") String events,
            @RequestParam(defaultValue = "1") int speed,
            @RequestParam(defaultValue = "PRINTED") Movement movement,
            @RequestParam(defaultValue = "NONE") SimulatedBath.Fault fault,
            @RequestParam(defaultValue = "") String formKey,
            @AuthenticationPrincipal SignedIn member) {
        Exercise exercise = exercise(leaflet, movement, fault);
        return new ModelAndView("redirect:"
                + forms.once(
                        formKey, () -> "/practice/reports/" + practice.keep(member, leaflet, exercise, speed, events)));
    }

    @GetMapping("/practice/reports/{id}")
    ModelAndView report(@PathVariable long id, @AuthenticationPrincipal SignedIn member) {
        return report(id, member, Sent.nothing());
    }

    /** What became of an exercise. */
    record ReportPage(long id, PracticeReport report, @Nullable RunDrawing drawing, String what, String signed) {}

    private ModelAndView report(long id, SignedIn member, Sent<?> sent) {
        PracticeService.Practised practised = practice.practised(member, id);
        return PageView.of(
                "practice/report",
                new ReportPage(
                        id,
                        practised.report(),
                        practised.drawing(),
                        "%s · %s, %s%s"
                                .formatted(
                                        practised.leaflet(),
                                        practised.who(),
                                        day(practised.at()),
                                        practised.speed() == 1 ? "" : ", " + practised.speed() + " times as fast"),
                        signed(practised.signed())),
                sent);
    }

    /** A practice that is signed off. */
    @RefusedAt("sign")
    record SignedForm() {}

    @PostMapping("/practice/reports/{id}/sign-off")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView signPractice(@PathVariable long id, Sent<SignedForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/practice/members?signed",
                form -> practice.signPractice(member, id),
                () -> report(id, member, sent));
    }

    @GetMapping("/practice/members")
    ModelAndView members() {
        return members(Sent.nothing());
    }

    /**
     * How far somebody has come, as it is shown.
     *
     * @param id who
     * @param name what they are called
     * @param practised what they practised last; null for nothing
     * @param practice who signed a practice off; empty for nobody
     * @param firstRun who signed a run off; empty for nobody
     * @param runs their last runs, by the row that logged them
     */
    public record Member(
            long id, String name, @Nullable Line practised, String practice, String firstRun, Map<Long, String> runs) {}

    /** How far everybody has come. */
    record MembersPage(String heading, List<Member> members) {}

    private ModelAndView members(Sent<?> sent) {
        List<Member> all = practice.everybody().stream().map(this::member).toList();
        long left = all.stream()
                .filter(member ->
                        member.practice().isEmpty() || member.firstRun().isEmpty())
                .count();
        return PageView.of(
                "practice/members",
                new MembersPage(
                        left == 0
                                ? "Everybody has been signed off"
                                : "%s still to be signed off"
                                        .formatted(
                                                left == 1
                                                        ? "One member is"
                                                        : Figures.sentence(Figures.number(left)) + " are"),
                        all),
                sent);
    }

    private Member member(PracticeService.Progress progress) {
        Map<Long, String> runs = new LinkedHashMap<>();
        for (RunLogged run : progress.runs()) {
            runs.put(
                    run.stamp().sequence(),
                    "%s, batch %d: %s"
                            .formatted(day(run.stamp().happenedAt()), run.batchId(), EntryWords.film(run.rolls())));
        }
        PracticeService.Practised last = progress.practised();
        return new Member(
                progress.memberId(),
                progress.name(),
                last == null ? null : line(last),
                signed(progress.practice()),
                signed(progress.firstRun()),
                runs);
    }

    /** A first run that is signed off, by the row that logged it. */
    static final class OfThem implements FieldReader<Long> {
        @Override
        public Long read(String typed) {
            if (!typed.matches("[0-9]{1,18}")) {
                throw Refusal.of(new FormObjection.RunNotTheirs());
            }
            return Long.valueOf(typed);
        }
    }

    /** Which run it was. */
    record FirstRunForm(@Takes(field = "run{id}", by = OfThem.class) long run) {}

    @PostMapping("/practice/members/{id}/first-run")
    @PreAuthorize("hasRole('STEWARD')")
    ModelAndView signRun(@PathVariable long id, Sent<FirstRunForm> sent, @AuthenticationPrincipal SignedIn member) {
        return forms.answer(
                sent,
                "/practice/members?signed",
                form -> practice.signRun(member, id, form.run()),
                () -> members(sent));
    }
}

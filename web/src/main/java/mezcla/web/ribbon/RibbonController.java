package mezcla.web.ribbon;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.FillState;
import mezcla.measure.Refusal;
import mezcla.processing.Movement;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import mezcla.web.drawing.RibbonDrawing;
import mezcla.web.journal.EntryWords;
import mezcla.web.leaflet.Leaflets;
import mezcla.web.shell.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The ribbon, full screen: for real, and for practice. */
@Controller
class RibbonController {
    private static final List<Integer> SPEEDS = List.of(1, 5, 20);

    private final RibbonService ribbon;
    private final Leaflets leaflets;
    private final JsonMapper json;

    RibbonController(RibbonService ribbon, Leaflets leaflets, JsonMapper json) {
        this.ribbon = ribbon;
        this.leaflets = leaflets;
        this.json = json;
    }

    @GetMapping("/runs/{started}/ribbon")
    String ribbon(@PathVariable long started, Model model) {
        RibbonService.Running running = ribbon.running(started);
        Map<String, FillState> fills = new LinkedHashMap<>();
        running.batch().fills().stream()
                .filter(fill -> fill.discarded() == null)
                .forEach(fill -> fills.put(running.batch().placeOf(fill), fill));
        show(
                RibbonView.of(
                        running.steps(), running.choices(), started, 1, ribbon.now(), fills, ribbon.events(started)),
                running.steps(),
                "Batch %d · %s · %s"
                        .formatted(
                                running.batch().id(),
                                EntryWords.film(running.start().rolls()),
                                running.start().stamp().who()),
                model);
        return "ribbon/ribbon";
    }

    /** What was confirmed, as other devices see it. */
    @GetMapping("/runs/{started}/events")
    @ResponseBody
    Answer events(@PathVariable long started) {
        ribbon.running(started);
        return new Answer(ribbon.now(), ribbon.events(started));
    }

    @PostMapping("/runs/{started}/events")
    @ResponseBody
    Answer confirm(@PathVariable long started, @RequestParam(defaultValue = "[]") String events) {
        List<RibbonService.Sent> all = ribbon.add(started, read(events));
        return new Answer(ribbon.now(), all);
    }

    /**
     * What a browser is told.
     *
     * @param now the time of this machine, in milliseconds since 1970
     * @param events everything that was confirmed
     */
    public record Answer(long now, List<RibbonService.Sent> events) {}

    private List<RibbonService.Sent> read(String events) {
        try {
            return Arrays.asList(json.readValue(events, RibbonService.Sent[].class));
        } catch (JacksonException e) {
            throw Refusal.of("unknown-event");
        }
    }

    @GetMapping("/practice")
    String practice(Model model) {
        model.addAttribute("sheets", leaflets.sheets());
        model.addAttribute("speeds", SPEEDS);
        model.addAttribute("movements", Movement.values());
        return "ribbon/practice";
    }

    @GetMapping("/practice/{leaflet}")
    String practise(
            @PathVariable long leaflet,
            @RequestParam(defaultValue = "1") int speed,
            @RequestParam(defaultValue = "INVERSION") Movement movement,
            Model model) {
        RunSteps.Choices choices = choices(movement);
        RunSteps steps = ribbon.practice(leaflet, choices);
        int times = SPEEDS.contains(speed) ? speed : 1;
        show(
                RibbonView.of(steps, choices, 0, times, ribbon.now(), Map.of(), List.of()),
                steps,
                "Practice with %s, without film or chemistry%s"
                        .formatted(leaflets.version(leaflet).name(), times == 1 ? "" : ", " + times + " times as fast"),
                model);
        model.addAttribute("leaflet", leaflet);
        model.addAttribute("movement", movement);
        return "ribbon/ribbon";
    }

    private static RunSteps.Choices choices(Movement movement) {
        return new RunSteps.Choices(true, false, true, movement);
    }

    @PostMapping("/practice/{leaflet}/report")
    String report(
            @PathVariable long leaflet,
            @RequestParam(defaultValue = "[]") String events,
            @RequestParam(defaultValue = "INVERSION") Movement movement,
            Model model) {
        RunSteps steps = ribbon.practice(leaflet, choices(movement));
        RunProgress progress = RunProgress.of(
                steps, read(events).stream().map(RibbonService.Sent::event).toList());
        model.addAttribute("report", PracticeReport.of(steps, progress));
        model.addAttribute("leaflet", leaflet);
        model.addAttribute("name", leaflets.version(leaflet).name());
        return "ribbon/report";
    }

    private void show(RibbonView view, RunSteps steps, @Nullable String what, Model model) {
        model.addAttribute("run", view);
        model.addAttribute("data", json.writeValueAsString(view));
        model.addAttribute("drawing", RibbonDrawing.of(steps));
        model.addAttribute("what", what);
        model.addAttribute("total", Figures.clock(steps.schedule().totalSeconds()));
    }
}

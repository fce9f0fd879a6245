package mezcla.web.ribbon;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.FillState;
import mezcla.web.journal.EntryWords;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The ribbon of a run under way, full screen. */
@Controller
class RibbonController {
    private final RibbonService ribbon;
    private final RibbonPage page;

    RibbonController(RibbonService ribbon, RibbonPage page) {
        this.ribbon = ribbon;
        this.page = page;
    }

    @GetMapping("/runs/{started}/ribbon")
    String ribbon(@PathVariable long started, Model model) {
        RibbonService.Running running = ribbon.running(started);
        Map<String, FillState> fills = new LinkedHashMap<>();
        running.batch().fills().stream()
                .filter(fill -> fill.discarded() == null)
                .forEach(fill -> fills.put(running.batch().placeOf(fill), fill));
        return page.show(
                RibbonView.of(
                        running.steps(),
                        running.choices(),
                        started,
                        1,
                        ribbon.now(),
                        ribbon.zone(),
                        fills,
                        ribbon.events(started)),
                running.steps(),
                "Batch %d · %s · %s"
                        .formatted(
                                running.batch().id(),
                                EntryWords.film(running.start().rolls()),
                                running.start().stamp().who()),
                running.probe() != null,
                model);
    }

    /** What was confirmed, as other devices see it. */
    @GetMapping("/runs/{started}/events")
    @ResponseBody
    Answer events(@PathVariable long started) {
        return answer(started, null);
    }

    @PostMapping("/runs/{started}/events")
    @ResponseBody
    Answer confirm(@PathVariable long started, @RequestParam(defaultValue = "[]") String events) {
        return answer(started, ribbon.read(events));
    }

    private Answer answer(long started, @Nullable List<RibbonService.Sent> sent) {
        long asked = ribbon.now();
        List<RibbonService.Sent> events = sent == null ? ribbon.events(started) : ribbon.add(started, sent);
        Watched watched = ribbon.watched(ribbon.running(started));
        long now = ribbon.now();
        return new Answer(now, now - asked, events, watched);
    }

    /**
     * What a browser is told.
     *
     * @param now the time of this machine, in milliseconds since 1970
     * @param took how long it took to find that out, in milliseconds, so that a browser can leave it out of the way
     * @param events everything that was confirmed
     * @param watched what is known of the temperature; null where nothing watches it
     */
    public record Answer(long now, long took, List<RibbonService.Sent> events, @Nullable Watched watched) {}
}

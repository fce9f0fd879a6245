package mezcla.web.ribbon;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.FillState;
import mezcla.log.RunBath;
import mezcla.measure.Refusal;
import mezcla.processing.BathTemperature;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.OneShotWords;
import mezcla.web.words.Units;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
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
                        started,
                        1,
                        ribbon.now(),
                        ribbon.zone(),
                        fills,
                        mixes(running),
                        running.start().tankMl(),
                        ribbon.events(started)),
                running.steps(),
                "%s · batch %d · %s · %s"
                        .formatted(
                                running.batch().process().name(),
                                running.batch().id(),
                                EntryWords.film(running.start().rolls()),
                                running.start().stamp().who()),
                running.probe() != null,
                model);
    }

    /** What of a one-shot is put together before it is poured, by its place in the leaflet. */
    private static Map<String, String> mixes(RibbonService.Running running) {
        Map<String, String> mixes = new LinkedHashMap<>();
        for (RunBath poured : running.start().baths()) {
            running.batch().fills().stream()
                    .filter(fill -> fill.id() == poured.fillId() && fill.bath().oneShot() != null)
                    .forEach(fill -> mixes.put(
                            running.batch().placeOf(fill), OneShotWords.mix(fill.bath(), poured.pouredAwayMl())));
        }
        return mixes;
    }

    /**
     * What was read of a temperature that somebody typed.
     *
     * @param celsius how warm it is, in °C; null where that could not be read
     * @param shown the same as it is shown; empty where that could not be read
     * @param doubtful whether it is asked once more
     * @param sentence what would be accepted, or what is asked; empty where there is nothing to say
     */
    public record Read(@Nullable Double celsius, String shown, boolean doubtful, String sentence) {}

    /** Reads a temperature that was typed during a run, with its unit. */
    @PostMapping("/ribbon/temperature")
    ResponseEntity<Read> temperature(
            @RequestParam(defaultValue = "") String typed, @RequestParam(required = false) @Nullable Double wanted) {
        try {
            double celsius = BathTemperature.parse(typed, Units.shown().temperature());
            String shown = Figures.celsius(celsius);
            boolean doubtful = wanted != null && BathTemperature.isDoubtful(celsius, wanted);
            return ResponseEntity.ok(new Read(
                    celsius,
                    shown,
                    doubtful,
                    doubtful && wanted != null
                            ? "%s, where it is to be %s? Read the thermometer again; press Enter once more to keep it."
                                    .formatted(shown, Figures.celsius(wanted))
                            : ""));
        } catch (Refusal refusal) {
            return ResponseEntity.unprocessableContent().body(new Read(null, "", false, ObjectionWords.of(refusal)));
        }
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

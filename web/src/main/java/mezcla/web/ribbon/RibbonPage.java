package mezcla.web.ribbon;

import mezcla.processing.RunSteps;
import mezcla.web.drawing.plot.RibbonDrawing;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.RunHabits;
import mezcla.web.words.Figures;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import tools.jackson.databind.json.JsonMapper;

/** The page of the ribbon, whatever it plays. */
@Component
public class RibbonPage {
    private final HouseService houses;
    private final JsonMapper json;

    RibbonPage(HouseService houses, JsonMapper json) {
        this.houses = houses;
        this.json = json;
    }

    /**
     * Shows a run.
     *
     * @param view the run as a browser plays it
     * @param steps its steps
     * @param what whose it is, in words
     * @param watched whether a probe watches it
     */
    public String show(RibbonView view, RunSteps steps, String what, boolean watched, Model model) {
        RunHabits habits = houses.habits();
        model.addAttribute("run", view);
        model.addAttribute("data", json.writeValueAsString(view));
        model.addAttribute("drawing", RibbonDrawing.of(steps));
        model.addAttribute("what", what);
        model.addAttribute("scans", view.started() > 0 && habits.scansBottles());
        model.addAttribute("watched", watched);
        model.addAttribute("total", Figures.clock(steps.schedule().totalSeconds()));
        return "ribbon/ribbon";
    }
}

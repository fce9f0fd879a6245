package mezcla.web.run.evening;

import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.processing.RunSteps;
import mezcla.web.run.plan.RunForm;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/**
 * A load that a member planned for an evening, as it is kept.
 *
 * @param version of this form
 * @param rolls the film, roll by roll
 * @param tankId the tank
 * @param choices how the run is done
 * @param celsius how warm its baths are to be, in °C; null for as printed
 * @param probe what watches it, as a form has it; empty for nothing
 */
record PlannedLoad(
        int version, List<Roll> rolls, long tankId, RunSteps.Choices choices, @Nullable Double celsius, String probe) {
    private static final int VERSION = 3;
    private static final JsonMapper JSON = JsonMapper.shared();

    /** What was planned with a form, whose film was read already. */
    static PlannedLoad of(List<Roll> rolls, RunForm form) {
        return new PlannedLoad(VERSION, rolls, form.tankId(), form.choices(), form.readCelsius(), form.getProbe());
    }

    static PlannedLoad read(String body) {
        PlannedLoad load = JSON.readValue(body, PlannedLoad.class);
        if (load.version != VERSION) {
            throw new IllegalArgumentException("A planned load of version " + load.version);
        }
        return load;
    }

    String write() {
        return JSON.writeValueAsString(this);
    }

    /** The address of the plan of this load, after the batch's; which film it is was said when it was planned. */
    String query(FilmProcess process) {
        RunForm form = new RunForm();
        form.beginWith(rolls);
        form.setProcess(process.key());
        form.setTank(Long.toString(tankId));
        form.choose(choices);
        form.setProbe(probe);
        form.setCelsius(celsius == null ? "" : Figures.plain(celsius, 1) + " °C");
        return form.query();
    }
}

package mezcla.web.run.evening;

import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.log.Roll;
import mezcla.processing.RunSteps;
import mezcla.web.forms.declared.Asked;
import mezcla.web.forms.declared.Sent;
import mezcla.web.run.plan.RunTyped;
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

    /** What was planned. */
    static PlannedLoad of(List<Roll> rolls, long tankId, EveningService.How how) {
        return new PlannedLoad(VERSION, rolls, tankId, how.choices(), how.celsius(), how.probe());
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
        Sent<Asked> sent = Sent.nothing();
        RunTyped typed = new RunTyped(sent);
        typed.beginWith(rolls);
        typed.ofProcess(process.key());
        typed.choose(choices);
        sent.put("tank", Long.toString(tankId));
        sent.put("probe", probe);
        sent.put("celsius", celsius == null ? "" : Figures.plain(celsius, 1) + " °C");
        return typed.query();
    }
}

package mezcla.web.run.evening;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.processing.RunSteps;
import mezcla.web.run.plan.RunForm;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/**
 * A load that a member planned for an evening, as it is kept.
 *
 * @param version of this form
 * @param film what goes in
 * @param stops how far it is pushed
 * @param irreplaceable whether any of it cannot be made again
 * @param tankId the tank
 * @param choices how the run is done
 * @param celsius how warm its baths are to be, in °C; null for as printed
 * @param probe what watches it, as a form has it; empty for nothing
 */
record PlannedLoad(
        int version,
        List<Film> film,
        double stops,
        boolean irreplaceable,
        long tankId,
        RunSteps.Choices choices,
        @Nullable Double celsius,
        String probe) {
    private static final int VERSION = 2;
    private static final JsonMapper JSON = JsonMapper.shared();

    /** Rolls of one owner and format. */
    record Film(String owner, String format, int count) {}

    /** What was planned with a form, whose film was read already. */
    static PlannedLoad of(List<Roll> rolls, RunForm form) {
        Map<List<String>, Integer> lines = new LinkedHashMap<>();
        rolls.forEach(roll -> lines.merge(List.of(roll.owner(), roll.format().label()), 1, Integer::sum));
        List<Film> film = new ArrayList<>();
        lines.forEach((line, count) -> film.add(new Film(line.get(0), line.get(1), count)));
        return new PlannedLoad(
                VERSION,
                film,
                rolls.get(0).stops(),
                rolls.stream().anyMatch(Roll::irreplaceable),
                form.tankId(),
                form.choices(),
                form.readCelsius(),
                form.getProbe());
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

    /** The film, roll by roll. */
    List<Roll> rolls() {
        List<Roll> rolls = new ArrayList<>();
        for (Film each : film) {
            FilmFormat format = FilmFormat.labelled(each.format);
            rolls.addAll(Collections.nCopies(
                    each.count, new Roll(each.owner, format, format.equivalents(), stops, irreplaceable)));
        }
        return rolls;
    }

    /** The address of the plan of this load, after the batch's. */
    String query() {
        RunForm form = new RunForm();
        form.beginWith(rolls());
        form.setTank(Long.toString(tankId));
        form.choose(choices);
        form.setProbe(probe);
        form.setCelsius(celsius == null ? "" : Figures.plain(celsius, 1) + " °C");
        return form.query();
    }
}

package mezcla.verdict;

import java.util.Map;
import mezcla.batch.Climate;
import mezcla.leaflet.FilmProcess;

/**
 * How a house judges: its school for each process, and what it knows of where its bottles stand (rules, sections 5 and
 * 6).
 *
 * @param schools the school of each process that the house decided about, by the key of the process
 * @param usual the school of every other process
 * @param climate how warm and light it is where bottles stand
 */
public record Judging(Map<String, School> schools, School usual, Climate climate) {
    private static final double USUAL_C = 20;

    /** Keeps its own map. */
    public Judging {
        schools = Map.copyOf(schools);
    }

    /** One school for everything, at 20 °C in the dark. */
    public static Judging by(School school) {
        return new Judging(Map.of(), school, Climate.steady(USUAL_C));
    }

    /**
     * The school for film of a process.
     *
     * @param process the process
     * @param irreplaceable whether any of the film cannot be made again, which the careful school judges
     */
    public School school(FilmProcess process, boolean irreplaceable) {
        return irreplaceable ? School.CAREFUL : schools.getOrDefault(process.key(), usual);
    }
}

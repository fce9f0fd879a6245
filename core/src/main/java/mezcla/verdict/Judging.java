package mezcla.verdict;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mezcla.batch.BatchState;
import mezcla.batch.Climate;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.FilmProcess;
import mezcla.leaflet.Range;
import org.jspecify.annotations.Nullable;

/**
 * How a house judges: its school for each process, and what it knows of where its bottles stand (rules, sections 5 and
 * 6).
 *
 * @param schools the school of each process that the house decided about, by the key of the process
 * @param usual the school of every other process
 * @param limits what the house allows beside leaflets
 * @param standIns what it takes where a sheet prints no limit
 * @param climate how warm and light it is where bottles stand
 * @param careful the members who want their own film judged by the careful school, whatever the house's is
 */
public record Judging(
        Map<String, School> schools,
        School usual,
        List<HouseLimit> limits,
        StandIns standIns,
        Climate climate,
        Set<String> careful) {
    private static final double USUAL_C = 20;

    /** Keeps its own map. */
    public Judging {
        schools = Map.copyOf(schools);
        limits = List.copyOf(limits);
        careful = Set.copyOf(careful);
    }

    /** A house of which no member is stricter than it is. */
    public Judging(
            Map<String, School> schools, School usual, List<HouseLimit> limits, StandIns standIns, Climate climate) {
        this(schools, usual, limits, standIns, climate, Set.of());
    }

    /** Schools and a climate, with the limits that leaflets print. */
    public Judging(Map<String, School> schools, School usual, Climate climate) {
        this(schools, usual, List.of(), climate);
    }

    /** Schools, the house's limits and a climate, with the stand-ins that a house begins with. */
    public Judging(Map<String, School> schools, School usual, List<HouseLimit> limits, Climate climate) {
        this(schools, usual, limits, StandIns.usual(), climate);
    }

    /** The same house, if it judged film of every process by one school. */
    public Judging wholly(School school) {
        return new Judging(Map.of(), school, limits, standIns, climate, careful);
    }

    /** A batch as the house takes its limits. */
    public BatchState over(BatchState batch) {
        return batch.fills().stream().anyMatch(this::differs) ? batch.withFills(this::over) : batch;
    }

    /** A fill as the house takes its limits: its leaflet says what the house allows. */
    public FillState over(FillState fill) {
        if (!differs(fill)) {
            return fill;
        }
        Bath standing = standIns.over(fill.bath());
        Bath allowed = limit(fill).map(limit -> limit.over(standing)).orElse(standing);
        return fill.governedBy(fill.leaflet().with(allowed));
    }

    private boolean differs(FillState fill) {
        return standIns.standsIn(fill.bath()) || limit(fill).isPresent();
    }

    /** The capacity that a fill's sheet prints, or the stand-in for it, whatever the house allows; null for none. */
    public @Nullable Range printedCapacity(FillState asLogged) {
        Bath printed = asLogged.bath();
        return standIns.standsIn(printed) ? standIns.over(printed).capacity() : printed.capacity();
    }

    private Optional<HouseLimit> limit(FillState fill) {
        return limits.stream()
                .filter(limit -> limit.leaflet().equals(fill.leaflet().key())
                        && limit.bath().equals(fill.mixed().bathKey()))
                .findFirst();
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

package mezcla.web.run.underway;

import java.time.Instant;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.leaflet.Bath;
import mezcla.log.RunBath;
import mezcla.log.RunStarted;
import mezcla.measure.ProcessingTime;
import mezcla.web.run.course.RunService;
import mezcla.web.settings.things.House;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;

/**
 * A run that has been started.
 *
 * @param started the row with which it was started
 * @param batchId the batch
 * @param batchName what that is called
 * @param title how long the developer takes
 * @param who who started it
 * @param since since when
 * @param film what film it is
 * @param baths its baths, in the order of use
 */
public record UnderWayView(
        long started,
        long batchId,
        String batchName,
        String title,
        String who,
        String since,
        String film,
        List<RunBathView> baths) {
    /**
     * A bath of the run.
     *
     * @param fillId the fill
     * @param letters its letters
     * @param name its name
     * @param planned how long the film stays in it, as planned
     * @param temperature at what temperature
     * @param cost what the film takes of it, in words
     */
    public record RunBathView(
            long fillId, String letters, String name, String planned, String temperature, String cost) {}

    public static UnderWayView of(RunService.UnderWay run, House house, Instant now) {
        RunStarted start = run.start();
        return new UnderWayView(
                start.stamp().sequence(),
                start.batchId(),
                run.batch().mixed().name(),
                title(run),
                start.stamp().who(),
                Figures.since(start.stamp().happenedAt(), now, house.timeZone()),
                EntryWords.film(start.rolls()),
                start.baths().stream().map(bath -> bath(run.batch(), bath)).toList());
    }

    private static String title(RunService.UnderWay run) {
        long developer = run.batch().imageDeveloper().map(FillState::id).orElse(0L);
        return run.start().baths().stream()
                .filter(bath -> bath.fillId() == developer)
                .map(bath -> bath(run.batch(), bath))
                .findFirst()
                .map(bath -> "%s: %s for %s"
                        .formatted(run.batch().process().name(), Figures.within(bath.name()), bath.planned()))
                .orElse(run.batch().process().name() + ": a run under way");
    }

    private static RunBathView bath(BatchState batch, RunBath planned) {
        Bath bath = batch.fills().stream()
                .filter(fill -> fill.id() == planned.fillId())
                .findFirst()
                .orElseThrow()
                .bath();
        return new RunBathView(
                planned.fillId(),
                bath.role().letters(),
                bath.role().name(),
                planned.seconds() == null
                        ? "–"
                        : ProcessingTime.ofSeconds(planned.seconds()).toString(),
                Figures.celsius(bath.timing().atC()),
                planned.pouredAwayMl() > 0
                        ? Figures.ml(planned.pouredAwayMl()) + " poured away"
                        : "%s, %s carried over"
                                .formatted(
                                        Figures.countOfRolls(planned.wearEquivalents()),
                                        Figures.ml(planned.carryOverMl())));
    }
}

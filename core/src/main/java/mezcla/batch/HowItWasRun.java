package mezcla.batch;

import java.util.List;
import java.util.stream.Stream;
import mezcla.log.LogEntry;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;

/** Whether the log itself says that a run was not as its leaflet wants it (rules, section 6). */
public final class HowItWasRun {
    private HowItWasRun() {}

    /**
     * Whether how it was run is the first thing to suspect: something went wrong in it, a bath was not as warm as printed, or
     * lasted otherwise than planned.
     *
     * @param book the log
     * @param batch the batch of the run
     * @param run the run
     */
    public static boolean isSuspect(LogBook book, BatchState batch, RunLogged run) {
        return !run.accidents().isEmpty()
                || run.baths().stream().anyMatch(bath -> isOffTemperature(batch, bath) || isOffTime(book, run, bath));
    }

    private static boolean isOffTemperature(BatchState batch, RunBath bath) {
        Double celsius = bath.celsius();
        return celsius != null
                && Stream.concat(batch.fills().stream(), batch.replaced().stream())
                        .filter(fill -> fill.id() == bath.fillId())
                        .anyMatch(fill -> !fill.bath().timing().holds(celsius));
    }

    private static boolean isOffTime(LogBook book, RunLogged run, RunBath bath) {
        List<RunBath> planned =
                run.ends().flatMap(book::find).map(LogEntry::baths).orElse(List.of());
        return planned.stream()
                .filter(each -> each.fillId() == bath.fillId())
                .anyMatch(each -> bath.isOtherThan(each.seconds()));
    }
}

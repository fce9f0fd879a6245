package mezcla.batch;

import java.util.Comparator;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What the last member who used a batch leaves to the next.
 *
 * @param last the run
 * @param result how its film came out, put down to the chemistry; null while nobody has judged it
 */
public record Handover(LogEntry.RunLogged last, LogEntry.@Nullable Result result) {
    /** The handover of a batch; empty before its first run. */
    public static Optional<Handover> of(BatchState batch) {
        return batch.runs().stream()
                .max(Comparator.comparing(
                                (LogEntry.RunLogged run) -> run.stamp().happenedAt())
                        .thenComparing(run -> run.stamp().sequence()))
                .map(last -> new Handover(last, resultAfter(batch, last)));
    }

    private static LogEntry.@Nullable Result resultAfter(BatchState batch, LogEntry.RunLogged last) {
        return batch.imageDeveloper()
                .map(FillState::inspection)
                .filter(look -> !look.at().isBefore(last.stamp().happenedAt()))
                .map(FillState.Inspection::result)
                .orElse(null);
    }
}

package mezcla.batch;

import java.util.Comparator;
import java.util.Optional;
import mezcla.log.Finding;
import mezcla.log.RunLogged;
import org.jspecify.annotations.Nullable;

/**
 * What the last member who used a batch leaves to the next.
 *
 * @param last the run
 * @param result how its film came out, put down to the chemistry; null while nobody has judged it
 */
public record Handover(RunLogged last, @Nullable Finding result) {
    /** The handover of a batch; empty before its first run. */
    public static Optional<Handover> of(BatchState batch) {
        return batch.runs().stream()
                .max(Comparator.comparing((RunLogged run) -> run.stamp().happenedAt())
                        .thenComparing(run -> run.stamp().sequence()))
                .map(last -> new Handover(last, resultAfter(batch, last)));
    }

    private static @Nullable Finding resultAfter(BatchState batch, RunLogged last) {
        return batch.imageDeveloper()
                .map(FillState::inspection)
                .filter(look -> !look.at().isBefore(last.stamp().happenedAt()))
                .map(FillState.Inspection::result)
                .orElse(null);
    }
}

package mezcla.batch;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import mezcla.log.FilmInspected;
import mezcla.log.Finding;
import mezcla.log.RunLogged;
import org.jspecify.annotations.Nullable;

/**
 * What the last member who used a batch leaves to the next.
 *
 * @param last the run
 * @param result how the film of that very run looked, the worst of it; null while nobody has looked at it
 */
public record Handover(RunLogged last, @Nullable Finding result) {
    /** The handover of a batch; empty before its first run. */
    public static Optional<Handover> of(BatchState batch) {
        return batch.runs().stream()
                .max(Comparator.comparing((RunLogged run) -> run.stamp().happenedAt())
                        .thenComparing(run -> run.stamp().sequence()))
                .map(last -> new Handover(last, result(batch.looks(), last)));
    }

    /** The latest look at each roll stands for it; of rolls that differ, one that was not good is told. */
    private static @Nullable Finding result(Collection<FilmInspected> looks, RunLogged run) {
        Map<Integer, FilmInspected> latest = new HashMap<>();
        looks.stream()
                .filter(look -> look.run() == run.stamp().sequence())
                .sorted(Comparator.comparing(look -> look.stamp().sequence()))
                .forEach(look -> latest.put(look.roll(), look));
        return latest.values().stream()
                .map(FilmInspected::result)
                .min(Comparator.comparing(Finding::isGood))
                .orElse(null);
    }
}

package mezcla.batch;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.log.LogEntry;
import mezcla.log.Subject;

/** What was recorded about a batch since somebody looked at it. */
public final class MovedOn {
    private MovedOn() {}

    /**
     * The rows about a batch or its fills that were recorded after another one, in the order of recording.
     *
     * @param log the whole log
     * @param batch the batch
     * @param seen the sequence of the last row that was known
     */
    public static List<LogEntry> since(Collection<LogEntry> log, BatchState batch, long seen) {
        Set<Long> fills = Stream.concat(batch.fills().stream(), batch.replaced().stream())
                .map(FillState::id)
                .collect(Collectors.toSet());
        Set<Long> about = log.stream()
                .filter(entry -> entry.fillsConcerned().stream().anyMatch(fills::contains))
                .map(entry -> entry.stamp().sequence())
                .collect(Collectors.toSet());
        return log.stream()
                .filter(entry -> entry.stamp().sequence() > seen)
                .filter(entry -> about.contains(entry.stamp().sequence())
                        || entry.touches().stream()
                                .anyMatch(each -> each.kind() == Subject.Kind.ENTRY && about.contains(each.id())))
                .toList();
    }
}

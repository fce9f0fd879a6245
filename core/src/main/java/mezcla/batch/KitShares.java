package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What fills took of each kit's value, in the order of recording: money once given is never dealt out anew. */
final class KitShares {
    private KitShares() {}

    static Map<Long, List<KitState.Share>> inOrderOfRecording(Collection<LogEntry> log) {
        Map<Long, LogEntry> mixes = new HashMap<>();
        Map<Long, List<KitState.Share>> shares = new HashMap<>();
        log.stream()
                .sorted(Comparator.comparingLong(entry -> entry.stamp().sequence()))
                .forEach(entry -> {
                    if (entry instanceof LogEntry.BatchMixed mix) {
                        mixes.put(mix.stamp().sequence(), mix);
                        add(shares, mix, false);
                    } else if (entry instanceof LogEntry.EntryVoided gone
                            && mixes.get(gone.voided()) instanceof LogEntry.BatchMixed mix) {
                        add(shares, mix, true);
                    }
                });
        return shares;
    }

    private static void add(Map<Long, List<KitState.Share>> shares, LogEntry.BatchMixed mix, boolean givenBack) {
        for (LogEntry.MixedFill fill : mix.fills()) {
            Map<Long, Double> byKit = new HashMap<>();
            fill.uses().forEach(use -> byKit.merge(use.kitId(), use.kitShare(), Double::sum));
            byKit.forEach((kit, fraction) -> shares.computeIfAbsent(kit, key -> new ArrayList<>())
                    .add(new KitState.Share(fill.fillId(), fraction, givenBack)));
        }
    }
}

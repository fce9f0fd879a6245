package mezcla.batch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import mezcla.log.LogEntry;

/** What fills took of each kit's value, in the order of recording: money once given is never dealt out anew. */
final class KitShares {
    private KitShares() {}

    static Map<Long, List<KitState.Share>> inOrderOfRecording(Collection<LogEntry> log) {
        Map<Long, LogEntry> rows = new HashMap<>();
        Map<Long, List<KitState.Share>> shares = new HashMap<>();
        log.stream()
                .sorted(Comparator.comparingLong(entry -> entry.stamp().sequence()))
                .forEach(entry -> {
                    entry.voids()
                            .map(rows::get)
                            .ifPresent(
                                    voided -> add(shares, voided, entry.stamp().sequence(), true));
                    rows.put(entry.stamp().sequence(), entry);
                    add(shares, entry, entry.stamp().sequence(), false);
                });
        return shares;
    }

    private static void add(Map<Long, List<KitState.Share>> shares, LogEntry entry, long recorded, boolean givenBack) {
        entry.usesByFill().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(uses -> {
                    Map<Long, Double> byKit = new TreeMap<>();
                    uses.getValue().forEach(use -> byKit.merge(use.kitId(), use.kitShare(), Double::sum));
                    byKit.forEach((kit, fraction) -> shares.computeIfAbsent(kit, key -> new ArrayList<>())
                            .add(new KitState.Share(
                                    uses.getKey(), entry.stamp().sequence(), recorded, fraction, givenBack)));
                });
    }
}

package mezcla.batch;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import mezcla.log.EntryVoided;
import mezcla.log.KitArrived;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.Stamp;
import mezcla.log.Subject;
import mezcla.measure.Refusal;
import org.jspecify.annotations.Nullable;

/**
 * The log as far as it was read, and what it adds up to. A row touches only the kits, batches and fills that it names;
 * rows that name none in common belong to different strands, and each strand is folded by itself, once. Another row
 * makes another book, in which only the strand that it belongs to is folded anew; what the book adds up to is what
 * {@link LogState#fold} makes of all its rows.
 */
public final class LogBook {
    /** The book of a house in which nothing has happened. */
    public static final LogBook EMPTY = new LogBook(List.of(), Map.of(), Map.of(), Map.of(), List.of());

    /** What happened last comes first; of what happened at once, what was recorded last. */
    public static final Comparator<LogEntry> NEWEST_FIRST = Comparator.comparing(
                    (LogEntry entry) -> entry.stamp().happenedAt())
            .thenComparingLong(entry -> entry.stamp().sequence())
            .reversed();

    private final List<LogEntry> entries;
    private final Map<Subject, Strand> strands;
    private final Map<Long, LogEntry> beginnings;
    private final Map<Long, EntryVoided> voids;
    private final List<LogEntry> waste;
    private @Nullable LogState state;
    private @Nullable List<LogEntry> newestFirst;
    private @Nullable List<String> writers;
    private @Nullable Map<Long, List<OwnRun>> runs;

    private LogBook(
            List<LogEntry> entries,
            Map<Subject, Strand> strands,
            Map<Long, LogEntry> beginnings,
            Map<Long, EntryVoided> voids,
            List<LogEntry> waste) {
        this.entries = Collections.unmodifiableList(entries);
        this.strands = strands;
        this.beginnings = beginnings;
        this.voids = voids;
        this.waste = Collections.unmodifiableList(waste);
    }

    /** Rows that have something in common, and what they add up to once somebody asked. */
    private static final class Strand {
        private final List<LogEntry> rows;
        private @Nullable LogState folded;

        Strand(List<LogEntry> rows) {
            this.rows = rows;
        }

        synchronized LogState state() {
            LogState known = folded;
            if (known == null) {
                known = LogState.fold(rows);
                folded = known;
            }
            return known;
        }
    }

    /**
     * The book with rows added.
     *
     * @param later rows that were recorded after all that are in it, in the order of recording
     * @throws IllegalArgumentException when one of them was not
     */
    public LogBook with(List<LogEntry> later) {
        if (later.isEmpty()) {
            return this;
        }
        List<LogEntry> all = new ArrayList<>(entries.size() + later.size());
        all.addAll(entries);
        Tying tying = new Tying(strands);
        Map<Long, LogEntry> made = new HashMap<>(beginnings);
        Map<Long, EntryVoided> gone = new HashMap<>(voids);
        List<LogEntry> poured = new ArrayList<>(waste);
        for (LogEntry entry : later) {
            if (!all.isEmpty()
                    && all.get(all.size() - 1).stamp().sequence()
                            >= entry.stamp().sequence()) {
                throw new IllegalArgumentException("entry " + entry.stamp().sequence() + " is in the book already");
            }
            all.add(entry);
            tying.add(entry, tiedBy(entry, all));
            entry.fillsMade().forEach(fill -> made.put(fill.fillId(), entry));
            entry.voiding().ifPresent(row -> gone.put(row.voided(), row));
            if (entry.touches().stream().anyMatch(each -> each.kind() == Subject.Kind.DRUM)) {
                poured.add(entry);
            }
        }
        return new LogBook(all, tying.strands(), made, gone, poured);
    }

    /**
     * The book as it would be if something else happened.
     *
     * @param at when
     * @param rows make the rows, given their stamps
     */
    public LogBook supposing(Instant at, List<? extends Function<Stamp, ? extends LogEntry>> rows) {
        List<LogEntry> later = new ArrayList<>();
        for (Function<Stamp, ? extends LogEntry> row : rows) {
            later.add(row.apply(new Stamp(lastSequence() + 1 + later.size(), at, at, "", false)));
        }
        return with(later);
    }

    /** Ties new rows to the strands that they belong to. */
    private static final class Tying {
        private final Map<Subject, Strand> strands;
        private final Map<Strand, List<LogEntry>> growing = new HashMap<>();

        Tying(Map<Subject, Strand> strands) {
            this.strands = new HashMap<>(strands);
        }

        void add(LogEntry entry, Set<Subject> about) {
            if (about.isEmpty()) {
                return;
            }
            Set<Strand> touched = new HashSet<>();
            about.forEach(each -> {
                Strand strand = strands.get(each);
                if (strand != null) {
                    touched.add(strand);
                }
            });
            Strand tied = touched.size() == 1 ? touched.iterator().next() : null;
            if (tied == null || !growing.containsKey(tied)) {
                tied = tie(touched);
            }
            Strand strand = tied;
            Objects.requireNonNull(growing.get(strand)).add(entry);
            about.forEach(each -> strands.put(each, strand));
        }

        private Strand tie(Set<Strand> touched) {
            List<LogEntry> rows = new ArrayList<>();
            touched.forEach(strand -> rows.addAll(strand.rows));
            Strand strand = new Strand(rows);
            growing.put(strand, rows);
            if (!touched.isEmpty()) {
                strands.replaceAll((each, known) -> touched.contains(known) ? strand : known);
            }
            return strand;
        }

        Map<Subject, Strand> strands() {
            return strands;
        }
    }

    /** What ties a row to others; a row about another one belongs where that one does. */
    private static Set<Subject> tiedBy(LogEntry entry, List<LogEntry> all) {
        Set<Subject> ties = new HashSet<>();
        for (Subject subject : entry.touches()) {
            if (subject.ties()) {
                ties.add(subject);
            } else if (subject.kind() == Subject.Kind.ENTRY
                    && subject.id() < entry.stamp().sequence()) {
                int position = find(all, subject.id());
                if (position >= 0) {
                    ties.addAll(tiedBy(all.get(position), all));
                }
            }
        }
        return ties;
    }

    private static LogEntry row(List<LogEntry> inOrder, long sequence) {
        return inOrder.get(position(inOrder, sequence));
    }

    private static int position(List<LogEntry> inOrder, long sequence) {
        int found = find(inOrder, sequence);
        if (found < 0) {
            throw Refusal.of(new BatchObjection.UnknownEntry(sequence));
        }
        return found;
    }

    /** Where a row stands, or less than 0 where there is none of that number. */
    private static int find(List<LogEntry> inOrder, long sequence) {
        int low = 0;
        int high = inOrder.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            long found = inOrder.get(middle).stamp().sequence();
            if (found == sequence) {
                return middle;
            }
            if (found < sequence) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return -1;
    }

    /** Every row, in the order of recording. */
    public List<LogEntry> entries() {
        return entries;
    }

    /**
     * The row of that number.
     *
     * @throws Refusal {@code unknown-entry}
     */
    public LogEntry entry(long sequence) {
        return row(entries, sequence);
    }

    /** The row of that number; empty where there is none. */
    public Optional<LogEntry> find(long sequence) {
        int position = find(entries, sequence);
        return position < 0 ? Optional.empty() : Optional.of(entries.get(position));
    }

    /**
     * Where a row stands among {@link #entries}, from 0.
     *
     * @throws Refusal {@code unknown-entry}
     */
    public int position(long sequence) {
        return position(entries, sequence);
    }

    /** The row that made a fill, voided or not; empty where no row did. */
    public Optional<LogEntry> making(long fillId) {
        return Optional.ofNullable(beginnings.get(fillId));
    }

    /** A fill as it was mixed, voided or not; empty where no row made it. */
    public Optional<MixedFill> mixed(long fillId) {
        return making(fillId).flatMap(entry -> entry.fillsMade().stream()
                .filter(made -> made.fillId() == fillId)
                .findFirst());
    }

    /** The row that voided another one, if any did. */
    public Optional<EntryVoided> voiding(long sequence) {
        return Optional.ofNullable(voids.get(sequence));
    }

    /** The row with which a kit came, voided or not; empty where none did. */
    public Optional<KitArrived> arrival(long kitId) {
        Strand strand = strands.get(Subject.kit(kitId));
        return LogEntry.only(strand == null ? List.of() : strand.rows, KitArrived.class)
                .filter(kit -> kit.kitId() == kitId)
                .findFirst();
    }

    /** The rows about waste, voided or not, in the order of recording. */
    public List<LogEntry> waste() {
        return waste;
    }

    /** The number of the last row; 0 for an empty book. */
    public long lastSequence() {
        return entries.isEmpty() ? 0 : entries.get(entries.size() - 1).stamp().sequence();
    }

    /** Every row, what happened last first. */
    public synchronized List<LogEntry> newestFirst() {
        List<LogEntry> known = newestFirst;
        if (known == null) {
            LogEntry[] rows = entries.toArray(LogEntry[]::new);
            Arrays.sort(rows, NEWEST_FIRST);
            known = List.of(rows);
            newestFirst = known;
        }
        return known;
    }

    /** Everybody who ever wrote a row, by name. */
    public synchronized List<String> writers() {
        List<String> known = writers;
        if (known == null) {
            known = entries.stream()
                    .map(entry -> entry.stamp().who())
                    .distinct()
                    .sorted()
                    .toList();
            writers = known;
        }
        return known;
    }

    /**
     * A run that stands or is under way, by whoever began or logged it.
     *
     * @param number the row by which it is known: that with which it was begun, or logged as done
     * @param batch the batch that it went through
     */
    public record OwnRun(long number, BatchState batch) {}

    /** The runs of a member, the last one first. */
    public synchronized List<OwnRun> runsOf(long memberId) {
        Map<Long, List<OwnRun>> known = runs;
        if (known == null) {
            Map<Long, List<OwnRun>> all = new HashMap<>();
            for (BatchState batch : state().batches().values()) {
                batch.inUse().forEach(start -> all.computeIfAbsent(start.stamp().memberId(), who -> new ArrayList<>())
                        .add(new OwnRun(start.stamp().sequence(), batch)));
                batch.runs().forEach(run -> all.computeIfAbsent(run.stamp().memberId(), who -> new ArrayList<>())
                        .add(new OwnRun(
                                Objects.requireNonNullElse(
                                        run.started(), run.stamp().sequence()),
                                batch)));
            }
            all.values()
                    .forEach(each ->
                            each.sort(Comparator.comparingLong(OwnRun::number).reversed()));
            known = all;
            runs = known;
        }
        return known.getOrDefault(memberId, List.of());
    }

    /**
     * The rows that bear on a batch, in the order of recording: those of its kits and of what shares them are among
     * them.
     *
     * @throws Refusal {@code unknown-batch}
     */
    public List<LogEntry> about(long batchId) {
        Strand strand = strands.get(Subject.batch(batchId));
        if (strand == null) {
            throw Refusal.of(new BatchObjection.UnknownBatch(batchId));
        }
        return strand.rows.stream()
                .sorted(Comparator.comparingLong(row -> row.stamp().sequence()))
                .toList();
    }

    /**
     * The part of the book that bears on some batches, for supposing what happens to them: what it says of them is what the
     * whole book says.
     *
     * @throws Refusal {@code unknown-batch}
     */
    public LogBook only(Collection<Long> batchIds) {
        TreeMap<Long, LogEntry> rows = new TreeMap<>();
        batchIds.forEach(id -> about(id).forEach(row -> rows.put(row.stamp().sequence(), row)));
        return EMPTY.with(List.copyOf(rows.values()));
    }

    /**
     * The number of the last row that bears on a batch, so that what was reckoned from its rows can be kept until there is
     * another one.
     *
     * @throws Refusal {@code unknown-batch}
     */
    public long lastAbout(long batchId) {
        Strand strand = strands.get(Subject.batch(batchId));
        if (strand == null) {
            throw Refusal.of(new BatchObjection.UnknownBatch(batchId));
        }
        return strand.rows.stream()
                .mapToLong(row -> row.stamp().sequence())
                .max()
                .orElse(0);
    }

    /** What the rows add up to. */
    public synchronized LogState state() {
        LogState known = state;
        if (known == null) {
            List<LogState> parts =
                    Set.copyOf(strands.values()).stream().map(Strand::state).toList();
            known = new LogState(
                    ordered(parts.stream().map(LogState::kits), kit -> kit.arrival()),
                    ordered(parts.stream().map(LogState::batches), BatchState::mixed),
                    parts.stream()
                            .flatMap(part -> part.anomalies().stream())
                            .sorted(Comparator.comparing(Anomaly::entry, LogState.IN_ORDER))
                            .toList());
            state = known;
        }
        return known;
    }

    private static <T> Map<Long, T> ordered(Stream<Map<Long, T>> parts, Function<T, LogEntry> beginning) {
        Map<Long, T> all = new LinkedHashMap<>();
        parts.map(Map::entrySet)
                .flatMap(Collection::stream)
                .sorted(Comparator.comparing(entry -> beginning.apply(entry.getValue()), LogState.IN_ORDER))
                .forEach(entry -> all.put(entry.getKey(), entry.getValue()));
        return all;
    }
}

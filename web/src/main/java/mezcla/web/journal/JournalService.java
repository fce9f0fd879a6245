package mezcla.web.journal;

import java.time.ZoneId;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.Anomaly;
import mezcla.batch.BatchObjection;
import mezcla.batch.LogBook;
import mezcla.batch.Voiding;
import mezcla.log.EntryKind;
import mezcla.log.EntryVoided;
import mezcla.log.LogEntry;
import mezcla.measure.Refusal;
import mezcla.web.access.Device;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.KnownNames;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.telling.EntryLine;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.Spreadsheet;
import mezcla.web.words.Units;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shows the log, and voids entries of it. */
@Service
public class JournalService {
    private static final int FEW = 20;

    private final DarkroomLog log;
    private final HouseService houses;
    private final Map<Reading, WordIndex> indexes = new ConcurrentHashMap<>();

    /** What the words of an entry rest on, beside the entry. */
    private record Reading(Units units, ZoneId timeZone) {}

    JournalService(DarkroomLog log, HouseService houses) {
        this.log = log;
        this.houses = houses;
    }

    /** The entries that a filter wants, the newest first; what of it cannot be read stands in the errors. */
    @Transactional(readOnly = true)
    public List<EntryLine> lines(JournalFilter filter, FieldErrors errors) {
        Search search = new Search(log.book(), filter, errors);
        return search.found(Integer.MAX_VALUE).stream().map(search.words::line).toList();
    }

    /**
     * An entry that could not be applied.
     *
     * @param line how it reads
     * @param why what is wrong with it
     */
    public record Odd(EntryLine line, String why) {}

    /** The entries that could not be applied and count for nothing, the newest first. */
    @Transactional(readOnly = true)
    public List<Odd> odd() {
        LogBook book = log.book();
        EntryWords words = new EntryWords(book, houses.house());
        return book.state().anomalies().stream()
                .sorted(Comparator.comparing(Anomaly::entry, LogBook.NEWEST_FIRST))
                .map(odd -> new Odd(words.line(odd.entry()), ObjectionWords.of(odd.why())))
                .toList();
    }

    /**
     * A page of the journal.
     *
     * @param lines its lines, the newest first
     * @param count how many entries were found
     * @param more whether there are more, so that nobody counted them all
     */
    public record Page(List<EntryLine> lines, int count, boolean more) {}

    /**
     * Some of the entries that a filter wants, the newest first. They are looked for until the page is full.
     *
     * @param first how many newer ones are passed over
     * @param most how many it shows
     */
    @Transactional(readOnly = true)
    public Page page(JournalFilter filter, int first, int most, FieldErrors errors) {
        Search search = new Search(log.book(), filter, errors);
        int enough = search.match.everything() ? Integer.MAX_VALUE : first + most + 1;
        List<LogEntry> found = search.found(enough);
        return new Page(
                found.stream().skip(first).limit(most).map(search.words::line).toList(),
                Math.min(found.size(), enough - 1),
                found.size() == enough);
    }

    /** Payments and corrections of an account are read by stewards, and by whoever it is of. */
    private static Stream<LogEntry> readable(Stream<LogEntry> entries, Optional<SignedIn> who, KnownNames names) {
        String name = who.map(SignedIn::name).orElse("");
        return who.filter(SignedIn::isSteward).isPresent()
                ? entries
                : entries.filter(entry ->
                        isReadable(entry, account -> names.present(account).equals(name)));
    }

    private static boolean isReadable(LogEntry entry, Predicate<String> theirs) {
        return entry.kind().amounts() != EntryKind.Amounts.OF_AN_ACCOUNT
                || entry.accountConcerned().filter(theirs).isPresent();
    }

    /** What a filter wants; only what is shown is put into words. */
    private final class Search {
        private final LogBook book;
        private final House house;
        private final EntryWords words;
        private final JournalFilter.Match match;
        private final Optional<SignedIn> who = Device.whoMayReadTheirs();
        private final KnownNames names = log.names();

        Search(LogBook book, JournalFilter filter, FieldErrors errors) {
            this.book = book;
            this.house = houses.house();
            this.words = new EntryWords(book, house);
            this.match = filter.read(house, errors);
        }

        List<LogEntry> found(int enough) {
            return match.everything()
                    ? readable(book.newestFirst().stream(), who, names).toList()
                    : readable(possible(), who, names)
                            .filter(entry -> match.wants(entry, words, names))
                            .limit(enough)
                            .toList();
        }

        private Stream<LogEntry> possible() {
            if (match.text().isEmpty()) {
                return book.newestFirst().stream();
            }
            BitSet possible = indexes.computeIfAbsent(
                            new Reading(Units.shown(), house.timeZone()), key -> new WordIndex())
                    .candidates(book, words, names, match.text());
            return possible.cardinality() < book.entries().size() / FEW
                    ? possible.stream()
                            .mapToObj(position -> book.entries().get(position))
                            .sorted(LogBook.NEWEST_FIRST)
                    : book.newestFirst().stream()
                            .filter(entry ->
                                    possible.get(book.position(entry.stamp().sequence())));
        }
    }

    /** Everybody who ever wrote something, by name. */
    @Transactional(readOnly = true)
    public List<String> writers() {
        return log.book().writers();
    }

    /** Lines as comma-separated values with a heading. */
    public String csv(List<EntryLine> lines) {
        return Spreadsheet.of(
                List.of("entry", "happened", "who", "what", "against", "void", "batches"),
                lines.stream()
                        .map(line -> List.<Object>of(
                                line.sequence(),
                                line.when(),
                                line.who(),
                                line.what(),
                                line.against(),
                                line.gone(),
                                line.batches().stream().map(String::valueOf).collect(Collectors.joining(" "))))
                        .toList());
    }

    /**
     * The line of an entry.
     *
     * @throws Refusal {@code unknown-entry}
     */
    @Transactional(readOnly = true)
    public EntryLine line(long sequence) {
        LogBook book = log.book();
        LogEntry entry = book.entry(sequence);
        if (readable(Stream.of(entry), Device.whoMayReadTheirs(), log.names())
                .findFirst()
                .isEmpty()) {
            throw new AccessDeniedException("money of somebody else");
        }
        return new EntryWords(book, houses.house()).line(entry);
    }

    /**
     * Voids an entry. Its author may, and a steward.
     *
     * @param who who voids it
     * @param sequence the entry
     * @param reason why
     * @throws Refusal {@code unknown-entry}, {@code already-void}, {@code void-is-final}, or
     *     {@code later-entries-depend} with the lines of those entries
     */
    @Transactional
    public void voidEntry(SignedIn who, long sequence, String reason) {
        LogBook book = log.book();
        if (!who.isSteward() && book.entry(sequence).stamp().memberId() != who.id()) {
            throw new AccessDeniedException("only the author or a steward voids an entry");
        }
        try {
            Voiding.check(book.entries(), sequence);
        } catch (Refusal refusal) {
            throw refusal.objection() instanceof BatchObjection.LaterEntriesDepend later
                    ? naming(book, later.entries())
                    : refusal;
        }
        log.add(who, stamp -> new EntryVoided(stamp, sequence, reason));
    }

    private Refusal naming(LogBook book, List<LogEntry> later) {
        EntryWords words = new EntryWords(book, houses.house());
        return Refusal.of(new FormObjection.EntriesRestOnIt(later.stream()
                .map(entry -> words.line(entry))
                .map(line -> "entry " + line.sequence() + " (" + line.when() + ", " + line.who() + ")")
                .collect(Collectors.joining(", "))));
    }
}

package mezcla.web.journal;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import mezcla.batch.LogBook;
import mezcla.log.LogEntry;
import mezcla.web.access.names.KnownNames;
import mezcla.web.telling.EntryLine;
import mezcla.web.telling.EntryWords;

/**
 * Which entries a word stands in, so that looking for words does not mean putting the whole log into words each time.
 * Entries never change, so each is put into words once, and again only when a name has become a number; a void adds its own words to those of the entry that it voids.
 */
final class WordIndex {
    private final Map<String, Numbers> byWord = new HashMap<>();
    private final ReentrantReadWriteLock lock = new ReentrantReadWriteLock();
    private volatile int read;
    private volatile KnownNames names = KnownNames.NONE;

    /** Positions of entries in the log. */
    private static final class Numbers {
        private int[] numbers = new int[4];
        private int count;

        void add(int number) {
            if (count > 0 && numbers[count - 1] == number) {
                return;
            }
            if (count == numbers.length) {
                numbers = Arrays.copyOf(numbers, count * 2);
            }
            numbers[count++] = number;
        }

        void addTo(BitSet set, int below) {
            for (int i = 0; i < count; i++) {
                if (numbers[i] < below) {
                    set.set(numbers[i]);
                }
            }
        }
    }

    /**
     * The entries that may contain a text; whether they do is for the reader to see.
     *
     * @param book the log
     * @param words how its entries read
     * @param known the names with which it was read
     * @param text as {@link #plain} leaves it
     * @return one bit for each entry of the book that may, by its position
     */
    BitSet candidates(LogBook book, EntryWords words, KnownNames known, String text) {
        List<LogEntry> entries = book.entries();
        readOn(book, words, known);
        lock.readLock().lock();
        try {
            return candidates(entries, text);
        } finally {
            lock.readLock().unlock();
        }
    }

    private void readOn(LogBook book, EntryWords words, KnownNames known) {
        List<LogEntry> entries = book.entries();
        if (read >= entries.size() && known.keeps(names)) {
            return;
        }
        lock.writeLock().lock();
        try {
            if (!known.keeps(names)) {
                byWord.clear();
                read = 0;
            }
            names = known;
            for (int next = read; next < entries.size(); next++) {
                add(entries.get(next), next, words, book);
                read = next + 1;
            }
        } finally {
            lock.writeLock().unlock();
        }
    }

    private BitSet candidates(List<LogEntry> entries, String text) {
        BitSet all = new BitSet(entries.size());
        all.set(0, entries.size());
        for (String part : words(text)) {
            BitSet with = new BitSet(entries.size());
            byWord.forEach((word, numbers) -> {
                if (word.contains(part)) {
                    numbers.addTo(with, entries.size());
                }
            });
            all.and(with);
        }
        return all;
    }

    private void add(LogEntry entry, int position, EntryWords words, LogBook book) {
        add(words.line(entry), position);
        entry.voids()
                .flatMap(book::find)
                .ifPresent(voided ->
                        add(words.line(voided), book.position(voided.stamp().sequence())));
    }

    private void add(EntryLine line, int number) {
        for (String word : words(searchable(line))) {
            byWord.computeIfAbsent(word, key -> new Numbers()).add(number);
        }
    }

    /** What of a line is looked through. */
    static String searchable(EntryLine line) {
        return plain(line.what() + " " + line.who() + " " + line.gone());
    }

    /** A text in small letters, and with spaces as people type them. */
    static String plain(String text) {
        return text.toLowerCase(Locale.ROOT).replace('\u00a0', ' ').strip();
    }

    private static List<String> words(String text) {
        return Arrays.stream(text.split(" ")).filter(word -> !word.isEmpty()).toList();
    }
}

package mezcla.money;

import java.time.Instant;
import mezcla.measure.FilmFormat;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/**
 * A line of an account (rules, section 8). Lines are only ever added: what a later row changes is another line, dated
 * when that row was written.
 *
 * @param entry the row of the log that it comes from
 * @param of the row that it is about; the same one, unless a later row changed what that one had brought
 * @param at when it counts
 * @param account whose account, by name
 * @param kind what it is
 * @param amount what it adds to the balance; below zero for what it takes from it
 * @param batch the batch that it is about; null for none
 * @param kit the kit that it is about; null for none
 * @param film what film it is about; null for none
 */
public record AccountLine(
        long entry,
        long of,
        Instant at,
        String account,
        Kind kind,
        Money amount,
        @Nullable Long batch,
        @Nullable Long kit,
        @Nullable Film film) {
    /** What a line is. */
    public enum Kind {
        /** Film of the account was run. */
        CHARGE("film"),
        /** A batch ended, or what it cost was put right: its cost is shared exactly. */
        MADE_EVEN("made even"),
        /** Money changed hands. */
        PAYMENT("payment"),
        /** A kit that the member paid for. */
        KIT("paid for a kit"),
        /** A steward put the account right. */
        CORRECTION("correction"),
        /** The house bears it. */
        WRITTEN_OFF("written off");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** In words. */
        public String words() {
            return words;
        }
    }

    /**
     * Film of one format.
     *
     * @param format the format
     * @param rolls how many; below zero where they were taken back
     * @param equivalents what they count for; below zero likewise
     */
    public record Film(FilmFormat format, int rolls, double equivalents) {}

    /** The same line on the account of that name. */
    AccountLine on(String name) {
        return name.equals(account) ? this : new AccountLine(entry, of, at, name, kind, amount, batch, kit, film);
    }

    /** Whether it takes back what an entry brought that was voided. */
    public boolean takesBack() {
        return entry != of;
    }
}

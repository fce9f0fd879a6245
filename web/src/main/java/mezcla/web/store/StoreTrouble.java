package mezcla.web.store;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessResourceFailureException;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** What can be wrong with the file in which everything is kept, and what to do about it. */
public enum StoreTrouble {
    /** Somebody else holds the file; that passes. */
    BUSY("The file in which everything is kept is in use by another program.", "Wait a little, then send it again."),
    /** There is no room. */
    FULL(
            "The disk is full.",
            "Reading goes on. A steward makes room on this machine, and then saving goes on by itself."),
    /** It cannot be written to. */
    READ_ONLY(
            "The file in which everything is kept cannot be written to.",
            "Reading goes on. A steward looks whether its disk is read only, or belongs to somebody else."),
    /** It is not where it was. */
    GONE(
            "The file in which everything is kept is gone from its folder.",
            "Write down on paper what you do. A steward puts the file back and starts Mezcla again."),
    /** Another file is where it was. */
    REPLACED(
            "The file in which everything is kept was replaced while Mezcla was running.",
            "Write down on paper what you do. A steward starts Mezcla again, which then goes on with the file that is there."),
    /** The file beside it, into which what is saved is written first, was taken away. */
    CUT_OFF(
            "A file that belongs to the one in which everything is kept was taken away while Mezcla was running.",
            "Write down on paper what you do. A steward stops Mezcla, puts the newest rescued file of its folder in the place of mezcla.db, and"
                    + " starts it again."),
    /** What is in it makes no sense. */
    DAMAGED(
            "The file in which everything is kept is damaged.",
            "Write down on paper what you do. A steward stops Mezcla, puts the last copy in its place, and starts it again.");

    private final String what;
    private final String then;

    StoreTrouble(String what, String then) {
        this.what = what;
        this.then = then;
    }

    /** What is wrong, in a sentence. */
    public String what() {
        return what;
    }

    /** What to do about it. */
    public String then() {
        return then;
    }

    /** Whether only a new start ends it. */
    boolean lasts() {
        return this == GONE || this == REPLACED || this == CUT_OFF || this == DAMAGED;
    }

    /** What a failure says about the file; empty where it says nothing. */
    public static Optional<StoreTrouble> in(@Nullable Throwable failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof NotSaved notSaved) {
                return Optional.of(notSaved.trouble());
            }
            if (cause instanceof SQLiteException sqlite) {
                return of(sqlite.getResultCode());
            }
            if (cause instanceof java.sql.SQLTransientConnectionException && cause.getCause() == null) {
                return Optional.of(BUSY);
            }
        }
        return Optional.empty();
    }

    private static Optional<StoreTrouble> of(SQLiteErrorCode code) {
        return switch (SQLiteErrorCode.getErrorCode(code.code & 0xFF)) {
            case SQLITE_BUSY, SQLITE_LOCKED, SQLITE_PROTOCOL -> Optional.of(BUSY);
            case SQLITE_FULL -> Optional.of(FULL);
            case SQLITE_READONLY, SQLITE_IOERR, SQLITE_CANTOPEN, SQLITE_PERM -> Optional.of(READ_ONLY);
            case SQLITE_CORRUPT, SQLITE_NOTADB -> Optional.of(DAMAGED);
            default -> Optional.empty();
        };
    }

    /** Nothing was saved, for that reason. */
    public static final class NotSaved extends DataAccessResourceFailureException {
        private static final long serialVersionUID = 1;

        private final StoreTrouble trouble;

        NotSaved(StoreTrouble trouble) {
            super(trouble.what());
            this.trouble = trouble;
        }

        StoreTrouble trouble() {
            return trouble;
        }
    }
}

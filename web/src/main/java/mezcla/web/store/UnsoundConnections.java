package mezcla.web.store;

import com.zaxxer.hikari.SQLExceptionOverride;
import java.sql.SQLException;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/**
 * A connection on which a statement failed is not used again, unless it only broke a rule of its table: whether it is
 * within a transaction is not certain any more, and what followed would be saved without one.
 */
public final class UnsoundConnections implements SQLExceptionOverride {
    @java.lang.Override
    public Override adjudicate(SQLException failure) {
        return failure instanceof SQLiteException sqlite && !isOfARule(sqlite.getResultCode())
                ? Override.MUST_EVICT
                : Override.CONTINUE_EVICT;
    }

    private static boolean isOfARule(SQLiteErrorCode code) {
        return (code.code & 0xFF) == SQLiteErrorCode.SQLITE_CONSTRAINT.code || code == SQLiteErrorCode.SQLITE_ERROR;
    }
}

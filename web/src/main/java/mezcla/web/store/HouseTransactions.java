package mezcla.web.store;

import javax.sql.DataSource;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.DefaultTransactionStatus;

/** Confirms only what is really kept: before and after each commit it looks whether the file is still the one. */
final class HouseTransactions extends JdbcTransactionManager {
    private static final long serialVersionUID = 1;

    @SuppressWarnings("serial")
    private final StoreGuard guard;

    HouseTransactions(DataSource store, StoreGuard guard) {
        super(store);
        this.guard = guard;
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
        if (!definition.isReadOnly()) {
            guard.check();
        }
        super.doBegin(transaction, definition);
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
        if (status.isReadOnly()) {
            super.doCommit(status);
            return;
        }
        guard.check();
        super.doCommit(status);
        guard.check();
    }
}

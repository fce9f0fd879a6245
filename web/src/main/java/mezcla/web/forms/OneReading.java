package mezcla.web.forms;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.DefaultTransactionDefinition;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;

/**
 * One read transaction for a page: everything that stands on it was true at the same moment. It is open while a page
 * that was asked for is put together, and over before it is written.
 */
@Component
public class OneReading implements HandlerInterceptor {
    private static final String READING = OneReading.class.getName();
    private static final DefaultTransactionDefinition READ = new DefaultTransactionDefinition();

    static {
        READ.setReadOnly(true);
    }

    private final PlatformTransactionManager transactions;

    OneReading(PlatformTransactionManager transactions) {
        this.transactions = transactions;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (handler instanceof HandlerMethod && request.getMethod().equals("GET")) {
            request.setAttribute(READING, transactions.getTransaction(READ));
        }
        return true;
    }

    @Override
    public void postHandle(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable ModelAndView page) {
        end(request);
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception failed) {
        end(request);
    }

    private void end(HttpServletRequest request) {
        if (request.getAttribute(READING) instanceof TransactionStatus reading) {
            request.removeAttribute(READING);
            end(reading);
        }
    }

    /** What was refused on the way marks the transaction; there is nothing in it to be undone. */
    private void end(TransactionStatus reading) {
        if (reading.isRollbackOnly()) {
            transactions.rollback(reading);
        } else {
            transactions.commit(reading);
        }
    }

    /** Puts a page together in one read transaction, after a form was refused. */
    public <T> T page(Supplier<T> page) {
        TransactionStatus reading = transactions.getTransaction(READ);
        try {
            return page.get();
        } finally {
            end(reading);
        }
    }
}

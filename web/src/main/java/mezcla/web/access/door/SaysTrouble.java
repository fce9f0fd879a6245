package mezcla.web.access.door;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import mezcla.web.store.StoreGuard;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;

/** Says what is wrong with the store where that keeps somebody from coming in. */
final class SaysTrouble extends OncePerRequestFilter {
    private final StoreGuard store;

    SaysTrouble(StoreGuard store) {
        this.store = store;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (DataAccessException | TransactionException failure) {
            if (store.heard(failure).isEmpty() || response.isCommitted()) {
                throw failure;
            }
            response.reset();
            response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
            request.getRequestDispatcher("/refused/store").forward(request, response);
        }
    }
}

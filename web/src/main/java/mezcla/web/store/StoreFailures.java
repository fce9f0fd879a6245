package mezcla.web.store;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in a sentence why Mezcla does not start, where that is because of its file. */
public final class StoreFailures extends AbstractFailureAnalyzer<Exception> {
    @Override
    protected @Nullable FailureAnalysis analyze(Throwable root, Exception failure) {
        StoreUnusable unusable = findCause(root, StoreUnusable.class);
        if (unusable != null) {
            return new FailureAnalysis(
                    unusable.getMessage(), "Look at the folder that mezcla.data names, and start again.", root);
        }
        Optional<StoreTrouble> trouble = StoreTrouble.in(root);
        return trouble.map(found -> new FailureAnalysis(found.what(), found.then(), root))
                .orElse(null);
    }
}

package mezcla.web.layout;

import java.util.Map;
import mezcla.web.store.StoreGuard;
import mezcla.web.store.StoreTrouble;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether what is logged now is kept, for whatever watches the machine. */
@RestController
class HealthController {
    private final StoreGuard store;
    private final String version;

    HealthController(StoreGuard store, @Value("${mezcla.version}") String version) {
        this.store = store;
        this.version = version;
    }

    @GetMapping("/health")
    ResponseEntity<Map<String, String>> health() {
        String trouble = store.trouble().map(StoreTrouble::what).orElse("");
        return ResponseEntity.status(trouble.isEmpty() ? HttpStatus.OK : HttpStatus.SERVICE_UNAVAILABLE)
                .body(Map.of("status", trouble.isEmpty() ? "up" : "down", "version", version, "trouble", trouble));
    }
}

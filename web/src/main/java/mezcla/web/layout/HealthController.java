package mezcla.web.layout;

import mezcla.web.store.StoreGuard;
import mezcla.web.store.StoreTrouble;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether what is logged now is kept, for whatever watches the machine; nothing that helps a stranger. */
@RestController
class HealthController {
    private final StoreGuard store;

    HealthController(StoreGuard store) {
        this.store = store;
    }

    /** What it says, in this order. */
    record Health(String status, String trouble) {}

    @GetMapping("/health")
    ResponseEntity<Health> health() {
        String trouble = store.trouble().map(StoreTrouble::what).orElse("");
        return ResponseEntity.status(trouble.isEmpty() ? HttpStatus.OK : HttpStatus.SERVICE_UNAVAILABLE)
                .body(new Health(trouble.isEmpty() ? "up" : "down", trouble));
    }
}

package mezcla.web.house.begin;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Locale;
import mezcla.measure.Refusal;
import mezcla.web.access.Members;
import mezcla.web.access.Unguessable;
import mezcla.web.forms.FormObjection;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The code with which a house begins. Only the console shows it; after a few wrong ones there is a new one. */
@Component
class BeginningCode {
    private static final int LENGTH = 10;
    private static final int TRIES = 5;

    private final Members members;
    private String code = "";
    private int tries;

    BeginningCode(Members members) {
        this.members = members;
    }

    @EventListener
    void printWhereNobodyIs(ApplicationReadyEvent ready) {
        if (members.all().isEmpty()) {
            String port = ready.getApplicationContext().getEnvironment().getProperty("local.server.port");
            System.out.printf("%nNobody belongs to this house yet. Open http://localhost:%s/begin%n", port);
            printNew();
        }
    }

    private synchronized void printNew() {
        code = Unguessable.letters(LENGTH);
        tries = 0;
        System.out.printf("and type this code: %s%n%n", code);
    }

    /**
     * Checks what was typed for the code.
     *
     * @throws Refusal {@code wrong-code}
     */
    synchronized void check(String typed) {
        String text = typed.strip().toUpperCase(Locale.ROOT);
        boolean right = !code.isEmpty()
                && MessageDigest.isEqual(text.getBytes(StandardCharsets.UTF_8), code.getBytes(StandardCharsets.UTF_8));
        if (right) {
            return;
        }
        tries++;
        if (tries >= TRIES && !code.isEmpty()) {
            printNew();
        }
        throw Refusal.of(new FormObjection.WrongCode());
    }

    /** Forgets the code, once the house has begun. */
    synchronized void forget() {
        code = "";
    }
}

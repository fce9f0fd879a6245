package mezcla.web.house.begin;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.List;
import java.util.Locale;
import mezcla.measure.Refusal;
import mezcla.web.access.Members;
import mezcla.web.access.Unguessable;
import mezcla.web.access.secrets.Tries;
import mezcla.web.console.ConsoleAddress;
import mezcla.web.forms.FormObjection;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The code with which a house begins. Only the console shows it; whoever types wrong ones waits, and it stays the same. */
@Component
class BeginningCode {
    private static final int LENGTH = 10;

    private final Members members;
    private final Tries tries;
    private volatile String code = "";

    BeginningCode(Members members, Tries tries) {
        this.members = members;
        this.tries = tries;
    }

    @EventListener
    void printWhereNobodyIs(ApplicationReadyEvent ready) {
        if (members.all().isEmpty()) {
            List<String> addresses =
                    ConsoleAddress.of(ready.getApplicationContext().getEnvironment(), "/begin");
            System.out.printf(
                    "%nNobody belongs to this house yet. Open %s%n", String.join("%nor ".formatted(), addresses));
            code = Unguessable.letters(LENGTH);
            System.out.printf("and type this code: %s%n%n", code);
        }
    }

    /**
     * Checks what was typed for the code.
     *
     * @param from the address that it came from
     * @throws Refusal {@code wrong-code}, or {@code code-wait} after several wrong ones from there
     */
    void check(String typed, String from) {
        Tries.Key address = Tries.Key.of("begin " + from);
        if (!tries.begin(address)) {
            throw Refusal.of(new FormObjection.CodeWait());
        }
        String text = typed.strip().toUpperCase(Locale.ROOT);
        if (code.isEmpty()
                || !MessageDigest.isEqual(
                        text.getBytes(StandardCharsets.UTF_8), code.getBytes(StandardCharsets.UTF_8))) {
            throw Refusal.of(new FormObjection.WrongCode());
        }
        tries.forget(address);
    }

    /** Forgets the code, once the house has begun. */
    void forget() {
        code = "";
    }
}

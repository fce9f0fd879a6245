package mezcla.web.members;

import java.util.Optional;
import mezcla.web.access.Devices;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.Unguessable;
import mezcla.web.console.ConsoleAnswer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Gives a member whose password is lost a new one, for whoever can reach the console, and stops. */
@Component
@ConditionalOnProperty("mezcla.forgotten-password")
class ForgottenPassword {
    private static final int LENGTH = 12;

    private final Members members;
    private final Devices devices;
    private final String signInName;

    ForgottenPassword(Members members, Devices devices, @Value("${mezcla.forgotten-password}") String signInName) {
        this.members = members;
        this.devices = devices;
        this.signInName = signInName;
    }

    @EventListener
    void setAndStop(ApplicationReadyEvent ready) {
        Optional<String> told = newPassword();
        ConsoleAnswer.tellAndStop(
                ready, told.orElse("Nobody signs in as " + signInName + "."), told.isPresent() ? 0 : 1);
    }

    /** What to tell whoever asked; empty where nobody signs in so. */
    Optional<String> newPassword() {
        return members.all().stream()
                .filter(member -> member.signInName().equalsIgnoreCase(signInName))
                .findFirst()
                .map(this::newPassword);
    }

    private String newPassword(SignedIn member) {
        String password = Unguessable.letters(LENGTH);
        members.setPassword(member.id(), password);
        devices.record("gave %s another password, from the console".formatted(member.name()));
        return "%s signs in as %s with the password %s".formatted(member.name(), member.signInName(), password);
    }
}

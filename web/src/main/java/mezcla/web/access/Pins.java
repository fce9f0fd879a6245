package mezcla.web.access;

import mezcla.measure.Refusal;
import mezcla.web.access.secrets.Tries;
import mezcla.web.forms.FormObjection;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** PINs of tiles at shared devices; wrong ones slow the tile alone. */
@Component
class Pins {
    private final PasswordEncoder encoder;
    private final Tries tries;

    Pins(PasswordEncoder encoder, Tries tries) {
        this.encoder = encoder;
        this.tries = tries;
    }

    /**
     * Checks a PIN; anything is right where a member has none.
     *
     * @throws Refusal {@code wrong-pin}, or {@code pin-wait} after several wrong ones
     */
    void check(SignedIn member, String typed) {
        if (member.pinHash() == null) {
            return;
        }
        Tries.Key tile = Tries.Key.of("pin " + member.id());
        if (!tries.begin(tile)) {
            throw Refusal.of(new FormObjection.PinWait());
        }
        if (!encoder.matches(typed, member.pinHash())) {
            throw Refusal.of(new FormObjection.WrongPin());
        }
        tries.forget(tile);
    }
}

package mezcla.web.access.names;

import java.util.Collection;
import java.util.List;
import java.util.stream.Stream;
import mezcla.log.Roll;
import mezcla.measure.Refusal;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FormObjection;

/**
 * What members leave to each other, and what they do not. In a darkroom almost everything is common: anybody bottles, pours,
 * logs or hangs up what another began, and the log says who it was. Undoing is not: what somebody began is taken back by
 * themselves, by whoever's film it is, or by a steward.
 */
public final class Whose {
    private Whose() {}

    /** Whose something is: who began it, and whose film it is about. */
    public static List<String> of(String who, List<Roll> rolls) {
        return Stream.concat(Stream.of(who), rolls.stream().map(Roll::owner)).toList();
    }

    /**
     * Whether somebody may take back what is theirs alone.
     *
     * @param who who wants to
     * @param names what members are and were called
     * @param whose who began it, and whose film it is, as the log names them
     */
    public static boolean mayTakeBack(SignedIn who, KnownNames names, Collection<String> whose) {
        return who.isSteward()
                || whose.stream().anyMatch(name -> names.present(name).equals(who.name()));
    }

    /**
     * Refuses to take back what is another's.
     *
     * @throws Refusal {@code only-theirs}
     */
    public static void refuse(SignedIn who, KnownNames names, Collection<String> whose) {
        if (!mayTakeBack(who, names, whose)) {
            throw Refusal.of(new FormObjection.OnlyTheirs(
                    whose.stream().map(names::present).findFirst().orElse("")));
        }
    }
}

package mezcla.web.film;

import java.util.Comparator;
import java.util.List;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.log.DarkroomLog;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whose film it can be: chosen from a list, so that nobody is spelled in two ways. */
@Service("owners")
public class Owners {
    private static final int MOST_GUESTS = 40;

    private final Members members;
    private final DarkroomLog log;

    Owners(Members members, DarkroomLog log) {
        this.members = members;
        this.log = log;
    }

    /** The names of all members, in the order of the alphabet. */
    private List<String> members() {
        return members.all().stream().map(SignedIn::name).sorted().toList();
    }

    /** The guests whose film was run, those of late first. */
    private List<String> guests(List<String> known) {
        return log.state().batches().values().stream()
                .flatMap(batch -> batch.runs().stream())
                .sorted(Comparator.comparing((RunLogged run) -> run.stamp().happenedAt())
                        .reversed())
                .flatMap(run -> run.rolls().stream())
                .map(Roll::owner)
                .filter(owner -> !known.contains(owner) && !owner.equals(Roll.HOUSE) && !owner.isBlank())
                .distinct()
                .limit(MOST_GUESTS)
                .toList();
    }

    /**
     * Who is known.
     *
     * @param members the members
     * @param guests the guests, those of late first
     */
    public record Known(List<String> members, List<String> guests) {
        /** Whether a name is in neither list. */
        public boolean other(String owner) {
            return !owner.isBlank() && !owner.equals(Roll.HOUSE) && !members.contains(owner) && !guests.contains(owner);
        }
    }

    /** Who is known. */
    @Transactional(readOnly = true)
    public Known known() {
        List<String> all = members();
        return new Known(all, guests(all));
    }
}

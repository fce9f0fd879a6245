package mezcla.planning;

import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import mezcla.batch.LogState;
import mezcla.log.Charge;
import mezcla.log.Roll;
import mezcla.log.RunLogged;

/** Whose account bears what film costs (rules, section 8). */
public final class Bearer {
    private final Collection<String> members;
    private final List<QueuedFilm> queue;
    private final LogState state;
    private final String logs;

    /**
     * For film that somebody logs.
     *
     * @param members the names of the members
     * @param queue the film that was ever left
     * @param state what the log adds up to
     * @param logs the name of the member who logs it
     */
    public Bearer(Collection<String> members, List<QueuedFilm> queue, LogState state, String logs) {
        this.members = members;
        this.queue = queue;
        this.state = state;
        this.logs = logs;
    }

    /**
     * Its owner, where that is a member or the house; a guest's goes to whoever brought it, else to who bore that guest's
     * film before, else to who logs it (<em>house</em>).
     *
     * @return the name of the account
     */
    public String of(Roll roll) {
        if (roll.owner().equals(Roll.HOUSE) || members.contains(roll.owner())) {
            return roll.owner();
        }
        return queue.stream()
                .filter(film -> Objects.equals(film.id(), roll.queued()))
                .map(film -> film.dropped().broughtBy())
                .findFirst()
                .or(() -> before(roll.owner()))
                .orElse(logs);
    }

    private Optional<String> before(String guest) {
        return state.batches().values().stream()
                .flatMap(batch -> batch.runs().stream())
                .filter(run -> !run.charges().isEmpty())
                .filter(run ->
                        run.rolls().stream().anyMatch(roll -> roll.owner().equals(guest)))
                .reduce((one, other) -> one.stamp().sequence() > other.stamp().sequence() ? one : other)
                .flatMap(run -> borne(run, guest));
    }

    private static Optional<String> borne(RunLogged run, String guest) {
        for (int i = 0; i < run.rolls().size(); i++) {
            if (run.rolls().get(i).owner().equals(guest)) {
                return Optional.of(run.charges().get(i)).map(Charge::account);
            }
        }
        return Optional.empty();
    }
}

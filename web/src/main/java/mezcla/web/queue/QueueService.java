package mezcla.web.queue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import mezcla.leaflet.FilmProcess;
import mezcla.log.FilmDropped;
import mezcla.log.FilmHandled;
import mezcla.log.FilmStage;
import mezcla.log.Roll;
import mezcla.measure.Refusal;
import mezcla.planning.QueuedFilm;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.Whose;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.queue.proposed.Proposals;
import mezcla.web.run.evening.EveningService;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is done with film that waits. */
@Service
class QueueService {
    private final DarkroomLog log;
    private final QueuePages pages;
    private final EveningService evenings;
    private final Members members;
    private final HouseAccounts accounts;

    QueueService(DarkroomLog log, QueuePages pages, EveningService evenings, Members members, HouseAccounts accounts) {
        this.accounts = accounts;
        this.log = log;
        this.pages = pages;
        this.evenings = evenings;
        this.members = members;
    }

    /**
     * What is wanted of film.
     *
     * @param by the day by which it should be run; null for no hurry
     * @param here whether it is in the darkroom already
     * @param alike what all film is called that is to be kept alike with it; null for none
     */
    public record Wish(@Nullable LocalDate by, boolean here, @Nullable String alike) {}

    /**
     * Leaves film in the queue, or announces it.
     *
     * @return the numbers on its cans
     */
    @Transactional
    public List<Long> leave(SignedIn who, List<Roll> rolls, FilmProcess process, Wish wish) {
        List<Long> numbers = new ArrayList<>();
        for (Roll roll : rolls) {
            boolean member = members.all().stream().anyMatch(each -> each.name().equals(roll.owner()));
            long number = log.newFilm();
            log.add(
                    who,
                    stamp -> new FilmDropped(
                            stamp,
                            number,
                            roll.queuedAs(null),
                            process.key(),
                            member ? roll.owner() : who.name(),
                            wish.by(),
                            wish.here(),
                            wish.alike()));
            numbers.add(number);
        }
        return numbers;
    }

    /**
     * Says that film came further, which anybody may, or was taken back, which its owner may, whoever brought it, or a steward.
     *
     * @throws Refusal {@code unknown-film}, {@code only-theirs}, or {@code film-not-so-far} where that makes no sense of it
     *     any more
     */
    @Transactional
    public void handle(SignedIn who, long id, FilmStage stage) {
        QueuedFilm film = accounts.film().stream()
                .filter(each -> each.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.UnknownFilm()));
        if (!film.mayBecome(stage)) {
            throw Refusal.of(
                    new FormObjection.FilmNotSoFar(film.code(), film.where().words()));
        }
        if (stage == FilmStage.WITHDRAWN) {
            Whose.refuse(
                    who,
                    log.names(),
                    List.of(film.roll().owner(), film.dropped().broughtBy()));
        }
        log.add(who, stamp -> new FilmHandled(stamp, List.of(id), stage));
    }

    /**
     * Takes proposed loads into the evening.
     *
     * @param keys the loads, as they were shown; all that are proposed for none
     * @throws Refusal {@code proposal-gone} when something was logged or taken since, or what an evening refuses
     */
    @Transactional
    public void take(SignedIn who, List<String> keys) {
        Proposals.Proposal proposal = pages.proposal(who);
        if (keys.isEmpty()) {
            throw Refusal.of(new FormObjection.ProposalGone());
        }
        for (String key : keys) {
            Proposals.Proposed load = Proposals.taken(proposal, key);
            evenings.add(
                    who,
                    load.batch().id(),
                    load.films().stream().map(QueuedFilm::roll).toList(),
                    load.tank(),
                    new EveningService.How(load.choices(), null, ""));
        }
    }
}

package mezcla.web.mine;

import java.util.Collection;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.log.RunLogged;
import mezcla.planning.QueuedFilm;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.KnownNames;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.log.DarkroomLog;
import mezcla.web.ribbon.usual.UsualWays;
import mezcla.web.week.DueWords;
import mezcla.web.week.WeekService;
import mezcla.web.words.BalanceWords;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts together what is a member's own. */
@Service
class MinePages {
    private final WeekService weeks;
    private final DarkroomLog log;
    private final HouseAccounts accounts;
    private final UsualWays usual;

    MinePages(DarkroomLog log, HouseAccounts accounts, UsualWays usual, WeekService weeks) {
        this.weeks = weeks;
        this.log = log;
        this.accounts = accounts;
        this.usual = usual;
    }

    /**
     * A member's own page.
     *
     * @param heading what they owe
     * @param film how much film of theirs was run
     * @param waiting what of theirs waits, or hangs
     * @param remembered whether their next plan begins with what they chose last
     */
    record Page(String heading, String film, String waiting, List<DueWords.Line> dues, boolean remembered) {}

    @Transactional(readOnly = true)
    Page page(SignedIn who) {
        KnownNames names = log.names();
        Money balance = accounts.accounts().balance(who.name());
        long rolls = log.state().batches().values().stream()
                .map(BatchState::runs)
                .flatMap(Collection::stream)
                .map(RunLogged::rolls)
                .flatMap(Collection::stream)
                .filter(roll -> names.present(roll.owner()).equals(who.name()))
                .count();
        List<QueuedFilm> film = accounts.film().stream()
                .filter(each -> names.present(each.dropped().broughtBy()).equals(who.name()))
                .toList();
        return new Page(
                Figures.sentence(BalanceWords.yours(balance)),
                rolls == 0
                        ? "No film of yours was run yet"
                        : Figures.sentence(Figures.count((int) rolls, "roll")) + " of yours so far",
                "%d waiting, %d to pick up"
                        .formatted(
                                film.stream()
                                        .filter(each -> each.where().isToCome())
                                        .count(),
                                film.stream()
                                        .filter(each -> each.where().isToCollect())
                                        .count()),
                weeks.own(who),
                usual.remembers(who));
    }
}

package mezcla.web.members;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.log.EntryKind;
import mezcla.log.LogEntry;
import mezcla.planning.QueuedFilm;
import mezcla.web.access.Members;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.KnownNames;
import mezcla.web.access.names.Naming;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The room of members, and the page of each. */
@Service
class MemberPages {
    private final MembersService members;
    private final Members accounts;
    private final Naming naming;
    private final HouseAccounts money;
    private final HouseService houses;
    private final Mixes mixes;
    private final DarkroomLog log;

    MemberPages(
            MembersService members,
            Members accounts,
            Naming naming,
            HouseAccounts money,
            HouseService houses,
            Mixes mixes,
            DarkroomLog log) {
        this.members = members;
        this.accounts = accounts;
        this.naming = naming;
        this.money = money;
        this.houses = houses;
        this.mixes = mixes;
        this.log = log;
    }

    /**
     * Everybody.
     *
     * @param heading how many they are
     * @param people who belongs to the house
     * @param former who left; nobody for whoever is no steward
     */
    record Everybody(String heading, List<Person> people, List<Gone> former) {}

    /** Somebody in the list. */
    record Person(long id, String name, boolean isSteward, String signInName, String last) {}

    /** Somebody who left. */
    record Gone(long id, String name, String when, boolean numbered) {}

    /**
     * One member, as a steward sees them before anything is changed.
     *
     * @param id who
     * @param heading what they are called, and are
     * @param isSteward whether they are a steward
     * @param isSelf whether it is the steward's own page
     * @param did what they did
     * @param owes what their account comes to
     * @param hanging what is not finished, or not settled; empty for nothing
     * @param typed what stands in the fields
     */
    record One(
            long id,
            String name,
            String heading,
            boolean isSteward,
            boolean isSelf,
            List<String> did,
            String owes,
            List<String> hanging,
            Map<String, String> typed) {}

    @Transactional(readOnly = true)
    Everybody everybody(SignedIn who) {
        ZoneId zone = houses.house().timeZone();
        Map<Long, LogEntry> last = new HashMap<>();
        log.book().entries().forEach(entry -> last.put(entry.stamp().memberId(), entry));
        List<SignedIn> all = accounts.all();
        return new Everybody(
                "%s belong%s to the house"
                        .formatted(Figures.sentence(Figures.count(all.size(), "member")), all.size() == 1 ? "s" : ""),
                all.stream()
                        .map(each -> new Person(
                                each.id(),
                                each.name(),
                                each.isSteward(),
                                each.signInName(),
                                last.containsKey(each.id())
                                        ? "last wrote on "
                                                + Figures.day(
                                                        last.get(each.id())
                                                                .stamp()
                                                                .recordedAt(),
                                                        zone)
                                        : "has not written anything yet"))
                        .toList(),
                who.isSteward()
                        ? naming.former().stream()
                                .map(each -> new Gone(
                                        each.id(),
                                        each.name(),
                                        Figures.dayAndYear(each.leftAt(), zone),
                                        each.numbered()))
                                .toList()
                        : List.of());
    }

    @Transactional(readOnly = true)
    One one(SignedIn who, long id, Map<String, String> typed) {
        SignedIn person = members.known(id);
        Map<String, String> fields = new HashMap<>(Map.of("name", person.name(), "signInName", person.signInName()));
        fields.putAll(typed);
        return new One(
                id,
                person.name(),
                "%s, %s".formatted(person.name(), person.isSteward() ? "steward" : "member"),
                person.isSteward(),
                id == who.id(),
                did(id),
                owes(person.name()),
                hanging(person),
                fields);
    }

    private List<String> did(long id) {
        LogBook book = log.book();
        ZoneId zone = houses.house().timeZone();
        List<LogEntry> theirs = book.entries().stream()
                .filter(entry -> entry.stamp().memberId() == id)
                .toList();
        if (theirs.isEmpty()) {
            return List.of("Nothing yet.");
        }
        long runs = theirs.stream()
                .filter(entry -> entry.kind() == EntryKind.RUN_LOGGED)
                .count();
        long mixed = theirs.stream()
                .filter(entry -> entry.kind() == EntryKind.BATCH_MIXED)
                .count();
        LogEntry last = theirs.get(theirs.size() - 1);
        return List.of(
                "%s written, the last on %s."
                        .formatted(
                                Figures.sentence(Figures.count(theirs.size(), "line")),
                                Figures.dayAndYear(last.stamp().recordedAt(), zone)),
                "%s logged, %s mixed."
                        .formatted(
                                Figures.sentence(Figures.count((int) runs, "run")),
                                Figures.count((int) mixed, "batch")));
    }

    private String owes(String name) {
        Money balance = money.accounts().balance(name);
        return balance.isZero()
                ? "Nothing is owed, either way."
                : balance.isNegative()
                        ? "They owe the house %s.".formatted(Figures.money(balance.abs()))
                        : "The house owes them %s.".formatted(Figures.money(balance));
    }

    private List<String> hanging(SignedIn person) {
        KnownNames names = log.names();
        List<String> hanging = new ArrayList<>();
        List<QueuedFilm> film = money.film().stream()
                .filter(each -> names.present(each.dropped().broughtBy()).equals(person.name()))
                .toList();
        long toRun = film.stream().filter(each -> each.where().isToCome()).count();
        long toCollect =
                film.stream().filter(each -> each.where().isToCollect()).count();
        if (toRun > 0) {
            hanging.add("%s of theirs waiting in the queue."
                    .formatted(Figures.sentence(Figures.count((int) toRun, "film"))));
        }
        if (toCollect > 0) {
            hanging.add("%s of theirs to collect.".formatted(Figures.sentence(Figures.count((int) toCollect, "film"))));
        }
        LogState state = log.state();
        state.standing().stream()
                .flatMap(BatchState::own)
                .flatMap(fill -> fill.inUse().stream())
                .map(FillState.InUse::started)
                .distinct()
                .map(state::underWay)
                .filter(run -> run.stamp().memberId() == person.id())
                .forEach(run -> hanging.add("A run of batch %d is under way.".formatted(run.batchId())));
        mixes.underWay().stream()
                .filter(mix -> names.present(mix.begunBy()).equals(person.name()))
                .forEach(mix -> hanging.add("A mix for batch %d is under way at the bench.".formatted(mix.batchId())));
        return hanging;
    }
}

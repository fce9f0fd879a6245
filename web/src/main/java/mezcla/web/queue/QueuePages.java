package mezcla.web.queue;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.KitState;
import mezcla.leaflet.FilmProcess;
import mezcla.log.FilmStage;
import mezcla.log.LaboratoryPriced;
import mezcla.log.Roll;
import mezcla.measure.FilmFormat;
import mezcla.measure.Slack;
import mezcla.planning.KeptAlike;
import mezcla.planning.QueuedFilm;
import mezcla.planning.WorthMixing;
import mezcla.verdict.Evening;
import mezcla.verdict.RunPlan;
import mezcla.web.access.SignedIn;
import mezcla.web.access.names.KnownNames;
import mezcla.web.access.names.Whose;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.accounts.KitOffers;
import mezcla.web.clock.LogClock;
import mezcla.web.drawing.QrDrawing;
import mezcla.web.layout.Slice;
import mezcla.web.log.DarkroomLog;
import mezcla.web.queue.proposed.Proposals;
import mezcla.web.run.evening.EveningService;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.settings.things.Tank;
import mezcla.web.words.Figures;
import mezcla.web.words.ObjectionWords;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts the queue together: what waits, what is proposed, why something waits, and what hangs. */
@Service
class QueuePages {
    private static final int SHOWN_COLLECTED = 8;

    private final DarkroomLog log;
    private final Proposals proposals;
    private final EveningService evenings;
    private final HouseService houses;
    private final HouseAccounts accounts;
    private final KitOffers offers;
    private final LogClock clock;

    QueuePages(
            DarkroomLog log,
            Proposals proposals,
            EveningService evenings,
            HouseService houses,
            HouseAccounts accounts,
            KitOffers offers,
            LogClock clock) {
        this.log = log;
        this.proposals = proposals;
        this.evenings = evenings;
        this.houses = houses;
        this.accounts = accounts;
        this.offers = offers;
        this.clock = clock;
    }

    /**
     * The queue.
     *
     * @param heading what can go in
     * @param howMany how many wait, in words
     * @param houseName the house
     * @param waiting the film that waits, the most urgent first, a page of it
     * @param loads what is proposed
     * @param exact whether no plan is better
     * @param why why the rest waits, and what mixing for it would cost
     * @param after the film that was run and is not collected, by owner
     * @param planned how many loads the evening has already
     */
    record Page(
            String heading,
            String howMany,
            String houseName,
            Slice<Waiting> waiting,
            List<LoadView> loads,
            boolean exact,
            List<Why> why,
            List<After> after,
            int planned) {}

    /** Film that waits. */
    record Waiting(
            long id, String code, String who, String what, String facts, String shape, String stage, boolean mine) {}

    /** A load that is proposed: its reels, what it goes through, when. */
    record LoadView(
            String title,
            String developer,
            String developerName,
            List<Reel> reels,
            String tank,
            String batch,
            long batchId,
            String hangs,
            String said,
            String key) {}

    /** A reel in the tank. */
    record Reel(String code, String format, String hatch) {}

    /** Why some film waits. */
    record Why(String title, String said, String page, String act) {}

    /** Film that was run. */
    record After(long id, String code, String who, String what, String where, List<StageChoice> next) {}

    /** What can be said of film next. */
    record StageChoice(String name, String words) {}

    /** What is proposed for the film that is neither run nor taken back, nor planned for this evening. */
    @Transactional(readOnly = true)
    public Proposals.Proposal proposal(SignedIn member) {
        return proposal(member, accounts.film());
    }

    /** The same of film that is kept alike only where all of it is here. */
    private Proposals.Proposal proposal(SignedIn member, List<QueuedFilm> all) {
        return proposals.of(
                member, ready(all).filter(film -> toBring(film, all).isEmpty()).toList(), all, evenings.planned());
    }

    private Stream<QueuedFilm> ready(List<QueuedFilm> all) {
        Set<Long> planned = evenings.queued();
        return all.stream()
                .filter(film -> film.where() == QueuedFilm.Where.WAITS && !planned.contains(film.id()))
                .sorted(QueuedFilm.MOST_URGENT_FIRST);
    }

    private static List<QueuedFilm> toBring(QueuedFilm film, List<QueuedFilm> all) {
        return KeptAlike.with(film, all).map(KeptAlike::toBring).orElse(List.of());
    }

    /** The queue, with a page of the film that waits from a place on. */
    @Transactional(readOnly = true)
    Page page(SignedIn member, String from) {
        House house = houses.house();
        List<QueuedFilm> all = accounts.film();
        Set<Long> planned = evenings.queued();
        List<QueuedFilm> toCome = all.stream()
                .filter(film -> film.where().isToCome())
                .sorted(QueuedFilm.MOST_URGENT_FIRST)
                .toList();
        Proposals.Proposal proposal = proposal(member, all);
        List<LoadView> loads = new ArrayList<>();
        for (Proposals.Proposed load : proposal.loads()) {
            loads.add(view(load, loads.size() + 1, all, house.timeZone()));
        }
        return new Page(
                heading(toCome, proposal, planned.size(), house.timeZone()),
                toCome.isEmpty()
                        ? "nothing waits"
                        : Figures.count(toCome.size(), "film") + (toCome.size() == 1 ? " waits" : " wait"),
                house.name(),
                Slice.of(toCome, from).map(film -> waiting(film, member, planned, house.timeZone())),
                loads,
                proposal.exact(),
                why(proposal, ready(all).toList(), all),
                after(all, house.timeZone()),
                evenings.planned());
    }

    private static String heading(List<QueuedFilm> toCome, Proposals.Proposal proposal, int planned, ZoneId zone) {
        if (toCome.isEmpty()) {
            return "Nobody’s film waits";
        }
        int taken =
                proposal.loads().stream().mapToInt(load -> load.films().size()).sum();
        if (taken == 0) {
            return planned > 0
                    ? "What can go in is planned for this evening"
                    : "%s, and none can go in yet"
                            .formatted(Figures.sentence(Figures.count(toCome.size(), "film"))
                                    + (toCome.size() == 1 ? " waits" : " wait"));
        }
        int loads = proposal.loads().size();
        return "%s %s %s; %s"
                .formatted(
                        Figures.sentence(Figures.count(loads, "load")),
                        loads == 1 ? "takes" : "take",
                        taken == toCome.size()
                                ? (taken == 1 ? "the film that waits" : "all " + Figures.number(taken))
                                : "%s of %s".formatted(Figures.number(taken), Figures.number(toCome.size())),
                        "the last can hang at "
                                + Figures.hour(
                                        proposal.loads().get(loads - 1).load().hangAt(), zone));
    }

    private Waiting waiting(QueuedFilm film, SignedIn member, Set<Long> planned, ZoneId zone) {
        Roll roll = film.roll();
        String name = roll.film() == null || roll.film().name() == null
                ? ""
                : " · " + roll.film().name();
        List<String> facts = new ArrayList<>(List.of(roll.format().label()));
        if (roll.stops() != 0) {
            facts.add(Figures.stops(roll.stops()));
        }
        facts.add(Figures.within(film.process().name()));
        if (roll.irreplaceable()) {
            facts.add("cannot be made again");
        }
        LocalDate by = film.dropped().by();
        if (by != null) {
            facts.add("by " + Figures.day(by));
        }
        if (film.dropped().alike() != null) {
            facts.add("kept alike: “%s”".formatted(film.dropped().alike()));
        }
        if (planned.contains(film.id())) {
            facts.add("planned for this evening");
        }
        KnownNames names = log.names();
        boolean guest = !film.dropped().broughtBy().equals(roll.owner())
                && !roll.owner().equals(Roll.HOUSE);
        return new Waiting(
                film.id(),
                film.code(),
                (guest ? "%s, for %s".formatted(film.dropped().broughtBy(), roll.owner()) : roll.owner()) + name,
                "Left %s".formatted(Figures.day(film.dropped().stamp().happenedAt(), zone)),
                String.join(" · ", facts),
                roll.format().reel() == FilmFormat.Reel.R135 ? "can" : "spool",
                film.where() == QueuedFilm.Where.ANNOUNCED ? FilmStage.HERE.name() : "",
                Whose.mayTakeBack(
                        member, names, List.of(roll.owner(), film.dropped().broughtBy())));
    }

    private LoadView view(Proposals.Proposed load, int number, List<QueuedFilm> all, ZoneId zone) {
        RunPlan plan = load.load().plan();
        Optional<RunPlan.PlannedBath> developer = plan.imageDeveloper();
        boolean careful = load.films().stream().anyMatch(film -> film.roll().irreplaceable());
        List<String> said = new ArrayList<>();
        said.add(Figures.within(plan.batch().process().name()));
        said.add(
                load.films().size() == 1
                        ? "one film"
                        : Figures.number(load.films().size()) + " films");
        double stops = load.films().get(0).roll().stops();
        said.add(
                stops == 0
                        ? (load.films().size() == 1 ? "not pushed" : "none pushed")
                        : "pushed " + Figures.stops(stops));
        if (careful) {
            said.add(
                    load.films().size() == 1
                            ? "not to be made again, so through the freshest batch that is sure"
                            : "among them some not to be made again, so through the freshest batch that is sure");
        }
        if (plan.isToBeTested()) {
            said.add("test this batch first");
        }
        load.films().stream()
                .flatMap(film -> KeptAlike.with(film, all).stream())
                .distinct()
                .forEach(alike -> said.add("“%s” is kept alike: one batch, one evening, %s for all of it"
                        .formatted(
                                alike.name(),
                                developer
                                        .map(bath -> Figures.celsius(plan.celsius(bath)
                                                .orElse(bath.fill()
                                                        .bath()
                                                        .timing()
                                                        .atC())))
                                        .orElse("one temperature"))));
        return new LoadView(
                "Load %d, pour at %s".formatted(number, Figures.hour(load.load().pourAt(), zone)),
                developer
                        .flatMap(RunPlan.PlannedBath::shown)
                        .map(Object::toString)
                        .orElse("–"),
                developer.map(bath -> bath.fill().bath().role().name()).orElse("Developer"),
                load.films().stream()
                        .map(film -> new Reel(
                                film.code(),
                                film.roll().format().label(),
                                film.roll().irreplaceable() ? "careful" : ""))
                        .toList(),
                load.tank().name(),
                "batch %d, %s".formatted(load.batch().id(), load.batch().mixed().name()),
                load.batch().id(),
                "hangs at %s%s".formatted(Figures.hour(load.load().hangAt(), zone), leaves(load)),
                Figures.sentence(String.join(", ", said)) + ".",
                load.key());
    }

    private static String leaves(Proposals.Proposed load) {
        Double left = load.load().plan().verdict().rollsLeft();
        if (left == null) {
            return "";
        }
        double after = Slack.floor(left - load.load().plan().question().equivalents());
        return after <= 0 ? "; uses the batch up" : "; leaves " + Figures.countOfRolls(after);
    }

    /** Why film waits, by process and reason; for each process whether mixing for it is worth it. */
    private List<Why> why(Proposals.Proposal proposal, List<QueuedFilm> ready, List<QueuedFilm> all) {
        Set<Long> placed = new HashSet<>();
        proposal.loads().forEach(load -> load.films().forEach(film -> placed.add(film.id())));
        Map<FilmProcess, Map<String, List<QueuedFilm>>> waiting = new LinkedHashMap<>();
        Map<List<Object>, Optional<RunPlan>> nearest = new HashMap<>();
        ready.stream().filter(film -> !placed.contains(film.id())).forEach(film -> waiting.computeIfAbsent(
                        film.process(), none -> new LinkedHashMap<>())
                .computeIfAbsent(reason(film, proposal, all, nearest), none -> new ArrayList<>())
                .add(film));
        List<Why> whys = new ArrayList<>();
        waiting.forEach((process, reasons) -> {
            List<QueuedFilm> films =
                    reasons.values().stream().flatMap(List::stream).toList();
            Optional<KitState> kit = kit(process, films);
            String said = reasons.entrySet().stream()
                    .map(each -> reasons.size() == 1
                            ? each.getKey()
                            : "%s: %s"
                                    .formatted(
                                            each.getValue().stream()
                                                    .map(QueuedFilm::code)
                                                    .collect(Collectors.joining(", ")),
                                            each.getKey()))
                    .collect(Collectors.joining(" "));
            whys.add(new Why(
                    "%s: %s %s."
                            .formatted(
                                    process.name(), Figures.number(films.size()), films.size() == 1 ? "waits" : "wait"),
                    said
                            + kit.flatMap(each -> worth(each, process, films))
                                    .map(words -> " " + words)
                                    .orElse(" No kit in the cupboard could be mixed for it."),
                    kit.map(each -> "/kits/" + each.id() + "/mix").orElse("/money/kits?process=" + process.key()),
                    kit.isPresent()
                            ? "Mix from " + kit.get().arrival().leaflet().name()
                            : "Which kit to buy"));
        });
        return whys;
    }

    /** Why one film waits; what is alike is asked about once. */
    private String reason(
            QueuedFilm film,
            Proposals.Proposal proposal,
            List<QueuedFilm> all,
            Map<List<Object>, Optional<RunPlan>> nearest) {
        List<QueuedFilm> toBring = toBring(film, all);
        if (!toBring.isEmpty()) {
            return "“%s” is kept alike, and %s of it is still to come."
                    .formatted(
                            film.dropped().alike(),
                            toBring.stream().map(QueuedFilm::code).collect(Collectors.joining(", ")));
        }
        Proposals.Over over = proposal.late().get(film.id());
        if (over != null) {
            return switch (over) {
                case HOUR ->
                    "The evening is over at %s."
                            .formatted(houses.surroundings().evenings().orElseThrow());
                case LOADS -> "An evening holds %d loads.".formatted(Evening.MOST_LOADS);
            };
        }
        return nearest.computeIfAbsent(List.of(film.process(), film.asLoaded()), alike -> proposals.nearest(film))
                .map(plan -> "Batch %d, %s: %s"
                        .formatted(
                                plan.batch().id(),
                                plan.batch().mixed().name(),
                                plan.fits()
                                        ? taken(film, all)
                                        : ObjectionWords.of(plan.objections().get(0))))
                .orElse("No batch of it stands on the shelf.");
    }

    /** What a film would go through is needed for other film, or does not suffice for all that it is kept alike with. */
    private static String taken(QueuedFilm film, List<QueuedFilm> all) {
        return KeptAlike.with(film, all)
                .map(alike -> "“%s” is kept alike, and no batch takes all %s of it after the loads before."
                        .formatted(alike.name(), Figures.number(alike.films().size())))
                .orElse("the loads before it take what it has left tonight.");
    }

    private Optional<KitState> kit(FilmProcess process, List<QueuedFilm> films) {
        return KitState.toOffer(log.state().kits().values(), process, tankMl(films), clock.instant());
    }

    /** The smallest tank that takes one of them. */
    private double tankMl(List<QueuedFilm> films) {
        FilmFormat.Reel reel = films.get(0).roll().format().reel();
        return houses.tanks().stream()
                .filter(tank -> tank.holds().isEmpty() || tank.holds().containsKey(reel))
                .mapToDouble(Tank::volumeMl)
                .min()
                .orElse(offers.smallestMl());
    }

    private Optional<String> worth(KitState kit, FilmProcess process, List<QueuedFilm> films) {
        double equivalents =
                films.stream().mapToDouble(film -> film.roll().equivalents()).sum();
        return offers.offerOf(kit).map(offer -> {
            WorthMixing worth = WorthMixing.forFilm(offer, tankMl(films), equivalents, accounts.demand(process));
            String more = worth.expected()
                    .map(cost ->
                            " Used for what comes as well, a roll will cost about %s.".formatted(Figures.money(cost)))
                    .orElse("");
            String next = worth.daysUntilOneMore().isPresent()
                    ? " At the rate of the last weeks one more comes in about %s."
                            .formatted(Figures.count(
                                    (int) Math.max(
                                            1,
                                            Math.round(worth.daysUntilOneMore().getAsDouble())),
                                    "day"))
                    : "";
            return "Mixing %s for %s alone makes %s a roll; with one more it is %s.%s%s%s"
                    .formatted(
                            Figures.inAll(worth.volumeMl()),
                            films.size() == 1 ? "it" : "them",
                            Figures.money(worth.now()),
                            worth.withOneMore().getAmount().toPlainString(),
                            more,
                            next,
                            verdict(worth, process));
        });
    }

    /** Whether it is worth mixing now, where it is known what a laboratory takes. */
    private String verdict(WorthMixing worth, FilmProcess process) {
        return accounts.prices()
                .laboratory(process.key(), clock.instant())
                .map(LaboratoryPriced::price)
                .map(price -> (worth.isWorthItBelow(price) ? " It is worth it now" : " Wait for more")
                        + ": a laboratory takes %s.".formatted(Figures.money(price)))
                .orElse("");
    }

    private List<After> after(List<QueuedFilm> all, ZoneId zone) {
        return all.stream()
                .filter(film -> film.where().isToCollect() || film.where() == QueuedFilm.Where.IN_THE_TANK)
                .sorted(Comparator.comparing(QueuedFilm::since).reversed())
                .map(film -> new After(
                        film.id(),
                        film.code(),
                        film.roll().owner(),
                        film.roll().film() == null || film.roll().film().name() == null
                                ? film.roll().format().label()
                                : film.roll().film().name(),
                        where(film, zone),
                        next(film)))
                .limit(SHOWN_COLLECTED * 3L)
                .toList();
    }

    private static String where(QueuedFilm film, ZoneId zone) {
        String since = Figures.dayAndHour(film.since(), zone);
        return switch (film.where()) {
            case IN_THE_TANK -> "In the tank since " + since;
            case HANGS ->
                film.hangs() == null ? "Hangs since " + since : "Hangs: %s, since %s".formatted(film.hangs(), since);
            case DRIED -> "Dry and taken down, " + since;
            default -> "Cut and sleeved, " + since;
        };
    }

    private static List<StageChoice> next(QueuedFilm film) {
        List<StageChoice> next = new ArrayList<>();
        if (film.mayBecome(FilmStage.DRIED)) {
            next.add(new StageChoice(FilmStage.DRIED.name(), "Dry"));
        } else if (film.mayBecome(FilmStage.SLEEVED)) {
            next.add(new StageChoice(FilmStage.SLEEVED.name(), "Sleeved"));
        }
        if (film.mayBecome(FilmStage.COLLECTED)) {
            next.add(new StageChoice(FilmStage.COLLECTED.name(), "Collected"));
        }
        return next;
    }

    /**
     * Labels for cans.
     *
     * @param houseName the house
     * @param labels the labels
     */
    record Labels(String houseName, List<CanLabel> labels) {}

    /** The label of a can. */
    record CanLabel(String code, String owner, String what, String push, String by, QrDrawing qr) {}

    /**
     * The labels of film.
     *
     * @param ids which; empty for all that waits
     * @param address where links lead when the house has not said
     */
    @Transactional(readOnly = true)
    Labels labels(List<Long> ids, String address) {
        House house = houses.house();
        String home = house.address() == null ? address : house.address();
        return new Labels(
                house.name(),
                accounts.film().stream()
                        .filter(film -> ids.isEmpty() ? film.where().isToCome() : ids.contains(film.id()))
                        .map(film -> label(film, home))
                        .toList());
    }

    private static CanLabel label(QueuedFilm film, String home) {
        Roll roll = film.roll();
        @Nullable LocalDate by = film.dropped().by();
        return new CanLabel(
                film.code(),
                roll.owner(),
                "%s, %s%s"
                        .formatted(
                                roll.format().label(),
                                Figures.within(film.process().name()),
                                roll.film() == null || roll.film().name() == null
                                        ? ""
                                        : ", " + roll.film().name()),
                (roll.stops() == 0 ? "" : "pushed " + Figures.stops(roll.stops()))
                        + (roll.irreplaceable() ? (roll.stops() == 0 ? "" : ", ") + "cannot be made again" : ""),
                by == null ? "" : "by " + Figures.day(by),
                QrDrawing.of(home.replaceAll("/+$", "") + "/queue?film=" + film.id()));
    }
}

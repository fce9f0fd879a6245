package mezcla.web.batch;

import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import mezcla.batch.BatchObjection;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.Handover;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Range;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BatchMixed;
import mezcla.log.DiscardedFill;
import mezcla.log.FillShared;
import mezcla.log.FillsDiscarded;
import mezcla.log.NoteLeft;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.measure.ProcessingTime;
import mezcla.measure.Refusal;
import mezcla.money.BatchCost;
import mezcla.money.BatchSpending;
import mezcla.money.ExpectedCost;
import mezcla.verdict.FillVerdict;
import mezcla.verdict.Judging;
import mezcla.verdict.RunObjection;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunRemark;
import mezcla.verdict.State;
import mezcla.web.access.SignedIn;
import mezcla.web.accounts.HouseAccounts;
import mezcla.web.answers.Planning;
import mezcla.web.batch.corrections.CorrectionService;
import mezcla.web.clock.LogClock;
import mezcla.web.drums.Destination;
import mezcla.web.drums.WasteService;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.shelf.CrateView;
import mezcla.web.telling.EntryLine;
import mezcla.web.telling.EntryWords;
import mezcla.web.words.Figures;
import mezcla.web.words.MixtureWords;
import mezcla.web.words.ObjectionWords;
import mezcla.web.words.verdict.ReasonWords;
import mezcla.web.words.verdict.StateWords;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shows one batch, and ends its fills. */
@Service
public class BatchService {
    private static final int LINES = 12;

    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;
    private final CorrectionService corrections;
    private final WasteService waste;
    private final HouseAccounts accounts;
    private final LogClock clock;

    BatchService(
            DarkroomLog log,
            Planning planning,
            HouseService houses,
            CorrectionService corrections,
            WasteService waste,
            HouseAccounts accounts,
            LogClock clock) {
        this.log = log;
        this.waste = waste;
        this.accounts = accounts;
        this.planning = planning;
        this.houses = houses;
        this.corrections = corrections;
        this.clock = clock;
    }

    /**
     * The batch of that number.
     *
     * @throws Refusal {@code unknown-batch}
     */
    @Transactional(readOnly = true)
    public BatchView batch(long id) {
        LogBook book = log.book();
        LogState state = book.state();
        BatchState asLogged = state.batch(id);
        BatchState batch = planning.judging().over(asLogged);
        House house = houses.house();
        RunPlan plan = asLogged.ended() ? null : planning.nextRoll(asLogged);
        BatchMixed mixed = batch.mixed();
        return new BatchView(
                id,
                mixed.name(),
                plan == null ? "Nothing of this batch is left" : StateWords.outlook(plan),
                plan == null ? null : CrateView.of(plan),
                facts(batch, house),
                plan == null ? List.of() : reasons(plan),
                plan != null && plan.fits(),
                batch.fills().stream().map(fill -> fill(fill, plan)).toList(),
                accounts.spending(id).map(spending -> cost(spending, house)).orElse(null),
                lines(book, id, house),
                waste(plan),
                batch.fills().stream().anyMatch(FillState::about),
                Handover.of(batch).map(last -> handover(last, house)).orElse(""),
                batch.inUse().stream()
                        .map(start -> new BatchView.InUse(start.stamp().sequence(), inUse(start, house)))
                        .toList(),
                overrides(batch, house),
                renewable(batch),
                renewal(batch, plan),
                guests(state, batch),
                batch.notes().stream()
                        .map(note -> "%s (%s, %s)"
                                .formatted(
                                        note.text(),
                                        note.stamp().who(),
                                        Figures.day(note.stamp().happenedAt(), house.timeZone())))
                        .toList(),
                corrections.isNewer(batch),
                corrections.toSwitch(asLogged),
                plan != null && hasOldLabels(asLogged));
    }

    /** Whether what its labels say of its limits has changed since it was mixed: they want printing again. */
    private boolean hasOldLabels(BatchState batch) {
        Judging then = houses.judging(batch.mixed().stamp().recordedAt());
        Judging now = planning.judging();
        return then.school(batch.process(), false) != now.school(batch.process(), false)
                || batch.own()
                        .filter(fill -> fill.discarded() == null)
                        .anyMatch(fill -> !limits(then, fill).equals(limits(now, fill))
                                || fill.leaflet().version()
                                        != fill.mixed().leaflet().version());
    }

    private static List<Object> limits(Judging judging, FillState fill) {
        Bath bath = judging.over(fill).bath();
        return Arrays.asList(bath.capacity(), bath.lifeDays());
    }

    /** Who used it last, when, with what, and how it came out. */
    private static String handover(Handover handover, House house) {
        RunLogged last = handover.last();
        String result =
                handover.result() == null ? "nobody has judged that film yet" : EntryWords.seen(handover.result());
        return "%s used it last, %s%s, with %s; %s."
                .formatted(
                        last.stamp().who(),
                        last.stamp().about() ? "about " : "",
                        Figures.dayAndHour(last.stamp().happenedAt(), house.timeZone()),
                        EntryWords.film(last.rolls()),
                        result);
    }

    private String inUse(RunStarted start, House house) {
        return "In use since %s, %s: %s"
                .formatted(
                        Figures.since(start.stamp().happenedAt(), clock.instant(), house.timeZone()),
                        start.stamp().who(),
                        EntryWords.film(start.rolls()));
    }

    private static List<String> overrides(BatchState batch, House house) {
        return batch.fills().stream()
                .flatMap(fill -> fill.overrides().stream()
                        .map(override -> "%s: %s went past its limit on purpose on %s. %s"
                                .formatted(
                                        fill.bath().role().name(),
                                        override.who(),
                                        Figures.day(override.at(), house.timeZone()),
                                        override.reason())))
                .toList();
    }

    /** What has to be mixed afresh first: the bath that has to go where the rest is sound, else one that is missing. */
    private static BatchView.@Nullable Renewal renewal(BatchState batch, @Nullable RunPlan plan) {
        Optional<String> gone = plan == null || plan.verdict().state() != State.DISCARD
                ? Optional.empty()
                : plan.verdict().toRenew().stream().map(FillVerdict::key).findFirst();
        return gone.or(() -> renewable(batch).keySet().stream().findFirst())
                .map(bath -> new BatchView.Renewal(
                        bath, Figures.within(batch.leaflet().bath(bath).role().name())))
                .orElse(null);
    }

    /** The baths of its own leaflet that were poured away or never were; those that stand have a page of their own. */
    private static Map<String, String> renewable(BatchState batch) {
        Map<String, String> missing = new LinkedHashMap<>();
        batch.mixed().fills().get(0).leaflet().baths().stream()
                .filter(bath -> batch.fills().stream()
                        .noneMatch(fill ->
                                fill.discarded() == null && fill.bath().role().equals(bath.role())))
                .forEach(bath -> missing.put(bath.key(), bath.role().name()));
        return batch.ended() ? Map.of() : missing;
    }

    private static List<BatchView.Guest> guests(LogState state, BatchState batch) {
        Collection<String> wanted = renewable(batch).values();
        if (wanted.isEmpty()) {
            return List.of();
        }
        return state.standing().stream()
                .flatMap(other -> other.own()
                        .filter(fill -> wanted.contains(fill.bath().role().name()))
                        .filter(fill -> accepts(batch, fill))
                        .map(fill -> new BatchView.Guest(
                                fill.id(),
                                "%s of batch %d, %s, in %s"
                                        .formatted(
                                                fill.bath().role().name(),
                                                other.id(),
                                                other.mixed().name(),
                                                fill.bottle().label()))))
                .toList();
    }

    private static boolean accepts(BatchState batch, FillState guest) {
        try {
            batch.refuseGuest(guest);
            return true;
        } catch (Refusal refused) {
            return false;
        }
    }

    /**
     * Lets a fill of another batch serve in this one as well.
     *
     * @throws Refusal {@code unknown-batch}, {@code unknown-fill}, or what {@link BatchState#refuseGuest} refuses
     */
    @Transactional
    public void share(SignedIn who, long batchId, long fillId) {
        LogState state = log.state();
        state.batch(batchId).refuseGuest(state.fill(fillId));
        log.add(who, stamp -> new FillShared(stamp, batchId, fillId));
    }

    /**
     * Leaves a note that comes up when the kit is mixed again.
     *
     * @throws Refusal {@code unknown-batch}
     */
    @Transactional
    public void note(SignedIn who, long batchId, String text) {
        log.state().batch(batchId);
        log.add(who, stamp -> new NoteLeft(stamp, batchId, text));
    }

    /** What forbids its use outright, what was mistyped, then what the verdict rests on. */
    private static List<String> reasons(RunPlan plan) {
        Stream<String> bars = plan.objections().stream()
                .filter(RunObjection.BathBarred.class::isInstance)
                .map(ObjectionWords::of);
        Stream<String> mistyped = plan.remarks().stream()
                .filter(RunRemark.LeafletMistyped.class::isInstance)
                .map(ObjectionWords::of);
        return Stream.of(
                        bars,
                        mistyped,
                        plan.verdict().reasons().stream().map(reason -> StateWords.sentence(plan, reason)))
                .flatMap(each -> each)
                .toList();
    }

    private static List<EntryLine> lines(LogBook book, long id, House house) {
        EntryWords words = new EntryWords(book, house);
        return book.about(id).stream()
                .sorted(LogBook.NEWEST_FIRST)
                .filter(entry -> words.batches(entry).contains(id))
                .limit(LINES)
                .map(words::line)
                .toList();
    }

    private static Map<String, String> facts(BatchState batch, House house) {
        Map<String, String> facts = new LinkedHashMap<>();
        BatchMixed mixed = batch.mixed();
        if (batch.adopted()) {
            facts.put(
                    "Mixed",
                    "about %s, from %s"
                            .formatted(
                                    Figures.day(batch.mixedAt(), house.timeZone()),
                                    batch.leaflet().name()));
        }
        facts.put(
                batch.adopted() ? "Taken over" : "Mixed",
                "%s by %s%s"
                        .formatted(
                                Figures.day(mixed.stamp().happenedAt(), house.timeZone()),
                                mixed.stamp().who(),
                                batch.adopted()
                                        ? ""
                                        : ", from " + batch.leaflet().name()));
        facts.put("Film so far", film(batch));
        return facts;
    }

    private static String film(BatchState batch) {
        String before = batch.rollsBefore() > 0
                ? "about %s before it was taken over".formatted(Figures.countOfRolls(batch.rollsBefore()))
                : "";
        if (batch.runs().isEmpty()) {
            return before.isEmpty() ? "none yet" : Figures.sentence(before);
        }
        String runs = Figures.number(batch.runs().size()) + (batch.runs().size() == 1 ? " run" : " runs");
        String counted =
                batch.rolls() == batch.filmCount() ? "" : ", which count as " + Figures.countOfRolls(batch.rolls());
        return Figures.sentence(Figures.countOfRolls(batch.filmCount())) + " in " + runs + counted
                + (before.isEmpty() ? "" : "; " + before);
    }

    private BatchView.Fill fill(FillState fill, @Nullable RunPlan plan) {
        RunPlan.PlannedBath planned = plan == null
                ? null
                : plan.baths().stream()
                        .filter(bath -> bath.fill().id() == fill.id())
                        .findFirst()
                        .orElse(null);
        return new BatchView.Fill(
                fill.id(),
                fill.bath().role().letters(),
                fill.bath().role().name(),
                MixtureWords.of(fill.mixture()),
                planned == null ? "gone" : planned.verdict().state().name().toLowerCase(Locale.ROOT),
                Optional.ofNullable(planned)
                        .flatMap(RunPlan.PlannedBath::worth)
                        .map(ProcessingTime::toString)
                        .orElse("–"),
                rolls(fill),
                planned == null ? "discarded" : age(fill),
                Figures.ml(fill.discarded() == null ? fill.volumeMl() : 0),
                fill.bottle().label());
    }

    private static String rolls(FillState fill) {
        Range capacity = fill.bath().capacity();
        if (fill.bath().oneShot() != null) {
            return "one-shot";
        }
        String done = Figures.rolls(fill.rolls());
        if (capacity == null) {
            return done + ", no limit";
        }
        String most = Figures.rolls(fill.rollsOf(capacity.max()));
        String least = Figures.rolls(fill.rollsOf(capacity.min()));
        return done + " of " + (least.equals(most) ? most : least + "–" + most)
                + (fill.isPast(capacity.max()) && capacity.printed() ? " printed" : ReasonWords.whose(capacity));
    }

    private String age(FillState fill) {
        int days = planning.daysSince(fill.mixedAt());
        Range life = fill.bath().lifeDays();
        if (life == null) {
            return days + " days, no limit";
        }
        String most = Figures.plain(life.max(), 0);
        String least = Figures.plain(life.min(), 0);
        return days + " of " + (least.equals(most) ? most : least + "–" + most) + " days" + ReasonWords.whose(life);
    }

    private static String amount(Optional<Money> money) {
        return money.map(each -> each.getAmount().toPlainString()).orElse("–");
    }

    private static BatchView.Cost cost(BatchSpending spending, House house) {
        BatchCost cost = spending.cost();
        return new BatchView.Cost(
                Figures.money(cost.total()),
                cost.whenRestIsUnused()
                        .map(unused ->
                                "When the rest of its kit is not used: %s so far, %s at printed capacity, %s in all."
                                        .formatted(
                                                amount(unused.soFar()),
                                                amount(unused.atPrintedCapacity()),
                                                Figures.money(unused.total())))
                        .orElse(""),
                amount(cost.soFar()),
                amount(cost.atPrintedCapacity()),
                amount(spending.expected().map(ExpectedCost::aRoll)),
                house.currency().toCurrency().getSymbol(Locale.UK));
    }

    private List<BatchView.Waste> waste(@Nullable RunPlan plan) {
        return plan == null
                ? List.of()
                : plan.baths().stream()
                        .filter(bath -> !plan.batch().isGuest(bath.fill()))
                        .map(bath -> new BatchView.Waste(
                                bath.fill().id(),
                                bath.fill().bath().role().name(),
                                Figures.ml(bath.fill().volumeMl()),
                                bath.verdict().state() == State.DISCARD,
                                usual(bath.fill())))
                        .toList();
    }

    /** The drum that takes it, or else its kind of waste. */
    private String usual(FillState fill) {
        WasteRoute route = WasteRoute.of(fill.bath().role());
        return waste.usual(fill, route).map(drum -> "drum-" + drum).orElse(route.name());
    }

    /**
     * Ends fills of a batch for good.
     *
     * @param who the steward who pours them away
     * @param batchId the batch
     * @param routes where each fill goes, as {@link WasteService#destination} reads it
     * @param reason why
     * @throws Refusal {@code fills-missing}, {@code unknown-fill}, {@code already-discarded}, {@code in-use} or
     *     what {@link WasteService#destination} refuses
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void discard(SignedIn who, long batchId, Map<Long, String> routes, String reason) {
        BatchState batch = log.state().batch(batchId);
        if (routes.isEmpty()) {
            throw Refusal.of(new FormObjection.FillsMissing());
        }
        List<DiscardedFill> fills = routes.entrySet().stream()
                .map(entry -> discarded(batch, entry.getKey(), entry.getValue()))
                .toList();
        log.add(who, stamp -> new FillsDiscarded(stamp, batchId, fills, reason));
    }

    private DiscardedFill discarded(BatchState batch, long fillId, String typed) {
        FillState fill = batch.own()
                .filter(each -> each.id() == fillId)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new BatchObjection.UnknownFill(fillId)));
        fill.refuseDiscarded();
        fill.refuseInUse();
        Destination to = waste.destination(fill, typed);
        return new DiscardedFill(fillId, fill.volumeMl(), to.route(), to.drumId());
    }
}

package mezcla.web.cupboard;

import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import mezcla.batch.BatchObjection;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.LogState;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.KitArrived;
import mezcla.log.KitFinished;
import mezcla.log.KitPriced;
import mezcla.log.LeafletRevised;
import mezcla.log.PartCorrected;
import mezcla.log.PartDecanted;
import mezcla.log.PartMoved;
import mezcla.log.PartOpened;
import mezcla.log.PartThrownAway;
import mezcla.log.Purchase;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.mixing.KitSplit;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Logs what becomes of the parts of a kit. */
@Service
public class KitService {
    private static final double USUAL_ML = 500;
    private static final double WHOLE = 0.005;

    private final DarkroomLog log;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final LogClock clock;

    KitService(DarkroomLog log, Leaflets leaflets, HouseService houses, LogClock clock) {
        this.clock = clock;
        this.log = log;
        this.leaflets = leaflets;
        this.houses = houses;
    }

    /** The kit, as the log leaves it. */
    @Transactional(readOnly = true)
    public KitState kit(long id) {
        return log.state().kit(id);
    }

    /**
     * What else there is to know about a kit.
     *
     * @param leafletId its leaflet
     * @param version the version of that
     * @param cost how its cost came about
     * @param paidBy who paid
     * @param note about the supplier; empty for nothing
     * @param others kits with the same leaflet, by id and name
     * @param prints the other versions of its leaflet, by id, with their numbers
     * @param alone the bath that its sheet is of, where that is sold alone; empty for any other
     * @param renews what it can renew then
     * @param revised why it goes by another version than it came with; empty where it does not
     */
    public record More(
            long leafletId,
            int version,
            String cost,
            String paidBy,
            String note,
            List<OtherKit> others,
            Map<Long, Integer> prints,
            String alone,
            List<Renews> renews,
            String revised) {}

    /**
     * A batch of which a kit renews a bath.
     *
     * @param batchId the batch
     * @param bath the bath
     * @param words what it is called
     */
    public record Renews(long batchId, String bath, String words) {}

    private static List<Renews> renews(LogState state, KitState kit) {
        Leaflet sheet = kit.arrival().leaflet();
        if (!sheet.isOfOneBathAlone()) {
            return List.of();
        }
        String bath = sheet.baths().get(0).key();
        return state.batches().values().stream()
                .filter(batch -> batch.fills().stream().anyMatch(fill -> fill.discarded() == null))
                .filter(batch -> kit.offers(batch.mixed().fills().get(0).leaflet(), bath))
                .map(batch -> new Renews(
                        batch.id(),
                        bath,
                        "Batch %d, %s"
                                .formatted(
                                        batch.id(),
                                        batch.mixed().fills().get(0).leaflet().name())))
                .toList();
    }

    /** Another kit that a leftover can be put to. */
    public record OtherKit(long id, String name) {}

    /** What else there is to know. */
    @Transactional(readOnly = true)
    public More more(long id) {
        LogState state = log.state();
        KitArrived arrival = state.kit(id).arrival();
        Purchase bought = arrival.bought();
        Paid paid = paid(id);
        String cost = "%s, delivery %s%s: %s landed"
                .formatted(
                        Figures.money(paid.price()),
                        Figures.money(paid.delivery()),
                        paid.other().isZero() ? "" : ", other " + Figures.money(paid.other()),
                        Figures.money(state.kit(id).landed()));
        return new More(
                leaflets.idOf(arrival.leaflet()),
                arrival.leaflet().version(),
                cost,
                paid.paidBy() == null ? houses.house().name() : paid.paidBy(),
                bought.note() == null ? "" : bought.note(),
                state.kits().values().stream()
                        .filter(kit -> kit.id() != id
                                && kit.arrival()
                                        .leaflet()
                                        .key()
                                        .equals(arrival.leaflet().key()))
                        .map(kit -> new OtherKit(
                                kit.id(),
                                "Kit %d, came on %s"
                                        .formatted(
                                                kit.id(),
                                                Figures.day(
                                                        kit.arrival().stamp().happenedAt(),
                                                        houses.house().timeZone()))))
                        .toList(),
                prints(arrival.leaflet()),
                arrival.leaflet().isOfOneBathAlone()
                        ? Figures.within(arrival.leaflet().baths().get(0).role().name())
                        : "",
                renews(state, state.kit(id)),
                revised(state.kit(id)));
    }

    private Map<Long, Integer> prints(Leaflet leaflet) {
        Map<Long, Integer> prints = new LinkedHashMap<>();
        leaflets.versions(leaflet.key()).forEach((version, each) -> {
            if (each.version() != leaflet.version()) {
                prints.put(version, each.version());
            }
        });
        return prints;
    }

    private String revised(KitState kit) {
        LeafletRevised revised = kit.revised();
        if (revised == null) {
            return "";
        }
        return "%s on %s: %s"
                .formatted(
                        revised.why() == LeafletRevised.Why.MISTYPED
                                ? "The version that it came with was mistyped, as %s said"
                                        .formatted(revised.stamp().who())
                                : "Its box holds this one, as %s said"
                                        .formatted(revised.stamp().who()),
                        Figures.day(revised.stamp().happenedAt(), houses.house().timeZone()),
                        revised.reason());
    }

    /**
     * Says that the box of a kit holds another print of its leaflet: it goes by that from now on, and what stands of what was
     * mixed from it has to be switched (rules, 3.8).
     *
     * @param leafletId the version that it holds
     * @throws Refusal {@code unknown-leaflet} where that is not another version of its leaflet
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void holds(SignedIn who, long id, long leafletId, String reason) {
        LogState state = log.state();
        Leaflet now = state.kit(id).arrival().leaflet();
        if (!prints(now).containsKey(leafletId)) {
            throw Refusal.of(new FormObjection.UnknownLeaflet(String.valueOf(leafletId)));
        }
        Leaflet right = leaflets.version(leafletId);
        List<Long> fills = state.standing().stream()
                .flatMap(BatchState::own)
                .filter(fill -> fill.discarded() == null
                        && fill.leaflet().key().equals(right.key())
                        && fill.leaflet().version() != right.version()
                        && fill.mixed().uses().stream().anyMatch(use -> use.kitId() == id))
                .map(FillState::id)
                .toList();
        log.add(
                who,
                stamp -> new LeafletRevised(
                        stamp, right, LeafletRevised.Why.BOX_HOLDS_ANOTHER, List.of(id), fills, reason));
    }

    /** The volume in which its leaflet was mixed last, else half a litre or what the kit makes. */
    @Transactional(readOnly = true)
    public String usualVolume(long id) {
        LogState state = log.state();
        Leaflet leaflet = state.kit(id).arrival().leaflet();
        if (state.kit(id).complete().stream().anyMatch(bath -> bath.recipe().takesSachets())) {
            return Figures.ml(state.kit(id).usualVolumeMl());
        }
        return state.batches().values().stream()
                .filter(batch -> batch.leaflet().key().equals(leaflet.key()))
                .max(Comparator.comparing(batch -> batch.mixed().stamp().happenedAt()))
                .map(batch -> batch.mixed().fills().get(0).volumeTyped())
                .orElse("%d ml".formatted(Math.round(Math.min(USUAL_ML, leaflet.makesMl()))));
    }

    /**
     * How many batches of a volume a kit still makes.
     *
     * @param sentence how many, and what runs out first
     * @param leftOver what they will leave; empty for nothing
     */
    public record Batches(String sentence, String leftOver) {}

    /** How many batches of a volume it still makes, what runs out first and what will be left over. */
    @Transactional(readOnly = true)
    public Batches batches(long id, Volume volume) {
        KitState kit = log.state().kit(id);
        Leaflet leaflet = kit.arrival().leaflet();
        List<String> baths = kit.complete().stream()
                .filter(bath -> !bath.recipe().additions().isEmpty())
                .map(Bath::key)
                .toList();
        if (baths.isEmpty()) {
            return new Batches("Parts of no bath alone", "");
        }
        boolean whole = kit.complete().stream().anyMatch(bath -> bath.recipe().takesSachets());
        if (whole && kit.allMl() > 0 && Math.abs(volume.ml() - kit.allMl()) > WHOLE * kit.allMl()) {
            return new Batches(
                    "Its sachets only go in whole: it makes %s at once".formatted(Figures.ml(kit.allMl())), "");
        }
        KitSplit split = KitSplit.of(leaflet.recipes(baths), kit.left(), whole ? kit.allMl() : volume.ml());
        String first = leaflet.part(split.limitingPart()).name();
        if (split.batches() == 0) {
            return new Batches(
                    "Not enough for a batch of %s: %s runs out first".formatted(Figures.ml(volume.ml()), first), "");
        }
        String over = split.leftOver().entrySet().stream()
                .filter(entry -> entry.getValue() > 0.5)
                .map(entry -> "%s of %s"
                        .formatted(
                                Figures.amount(
                                        entry.getValue(),
                                        leaflet.part(entry.getKey()).unit()),
                                leaflet.part(entry.getKey()).name()))
                .collect(Collectors.joining(", "));
        return new Batches(
                "Enough for %s of %s; %s runs out first"
                        .formatted(
                                split.batches() == 1
                                        ? "one more batch"
                                        : Figures.number(split.batches()) + " more batches",
                                Figures.ml(volume.ml()),
                                first),
                over.isEmpty() ? "Nothing will be left over." : over + " will be left over.");
    }

    /**
     * The moment that a typed day stands for: now for none, else its noon, or when the kit came where that was later on
     * that day.
     *
     * @throws Refusal {@code not-a-day}, {@code in-the-future} or {@code before-it-came}
     */
    @Transactional(readOnly = true)
    public Instant on(long id, String day) {
        if (day.isBlank()) {
            return clock.instant();
        }
        Instant came = kit(id).arrival().stamp().happenedAt();
        return TypedDay.noonSince(day, came, houses.house().timeZone(), clock.instant());
    }

    /** Logs that a part was opened. */
    @Transactional
    public void open(SignedIn who, long id, String part, Instant when) {
        if (kit(id).part(part).openedAt() != null) {
            throw Refusal.of(new FormObjection.PartOpenAlready());
        }
        log.add(who, when, false, stamp -> new PartOpened(stamp, id, part));
    }

    /**
     * Logs that a part went into vials, of so much each; null for all of it in equal shares.
     *
     * @throws Refusal {@code part-used-up}, {@code more-of-part-than-there-is}
     */
    @Transactional
    public void decant(SignedIn who, long id, String part, int vials, @Nullable Double each, Instant when) {
        if (kit(id).part(part).left() <= 0) {
            throw Refusal.of(new BatchObjection.PartUsedUp());
        }
        if (each != null) {
            kit(id).refuseTaking(part, vials * each);
        }
        log.add(who, when, false, stamp -> new PartDecanted(stamp, id, part, vials, each));
    }

    /** Logs how much of a part there really is. */
    @Transactional
    public void correct(SignedIn who, long id, String part, double left, String why) {
        log.add(who, stamp -> new PartCorrected(stamp, id, part, left, why));
    }

    /** Puts right what a kit cost; what was charged for it is adjusted (rules, section 8). */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void price(SignedIn who, long id, Paid paid, String why) {
        kit(id);
        log.add(
                who,
                stamp -> new KitPriced(stamp, id, paid.price(), paid.delivery(), paid.other(), paid.paidBy(), why));
    }

    /** What a kit cost and who paid; null for the house. */
    public record Paid(Money price, Money delivery, Money other, @Nullable String paidBy) {}

    /** What a kit cost as far as is known now. */
    @Transactional(readOnly = true)
    public Paid paid(long id) {
        KitState kit = kit(id);
        KitArrived arrival = kit.arrival();
        List<KitPriced> priced = kit.priced();
        if (priced.isEmpty()) {
            return new Paid(
                    arrival.price(),
                    arrival.delivery(),
                    arrival.bought().other(),
                    arrival.bought().paidBy());
        }
        KitPriced last = priced.get(priced.size() - 1);
        return new Paid(last.price(), last.delivery(), last.other(), last.paidBy());
    }

    /**
     * Logs that some of a part is gone.
     *
     * @throws Refusal {@code more-of-part-than-there-is}
     */
    @Transactional
    public void throwAway(
            SignedIn who, long id, String part, double amount, WasteRoute route, String why, Instant when) {
        kit(id).refuseTaking(part, amount);
        log.add(who, when, false, stamp -> new PartThrownAway(stamp, id, part, amount, route, why));
    }

    /**
     * Logs that what is left of a part was put to another kit.
     *
     * @throws Refusal {@code unknown-kit}, or what {@link KitState#refuseMoving} refuses
     */
    @Transactional
    public void move(SignedIn who, long id, String part, long to) {
        LogState state = log.state();
        state.kit(id).refuseMoving(part, state.kit(to));
        double amount = state.kit(id).part(part).left();
        log.add(who, stamp -> new PartMoved(stamp, id, part, to, amount));
    }

    /**
     * Logs that nothing more is mixed from a kit.
     *
     * @throws Refusal {@code unknown-kit} or {@code kit-is-finished}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void finish(SignedIn who, long id) {
        log.state().kit(id).refuseFinished();
        log.add(who, stamp -> new KitFinished(stamp, id));
    }
}

package mezcla.web.cupboard;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mezcla.batch.KitState;
import mezcla.batch.PartState;
import mezcla.batch.Stock;
import mezcla.batch.Supply;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Unit;
import mezcla.mixing.KitSplit;
import mezcla.web.answers.Planning;
import mezcla.web.clock.LogClock;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.House;
import mezcla.web.words.Figures;
import mezcla.web.words.PartWords;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shows what kits there are and what is left of them. */
@Service
public class CupboardService {
    private static final double LEAST_WORTH_MIXING_ML = 1;
    private static final double NECK_HEIGHT = 12;
    private static final double BOX_HEIGHT = 52;

    private final DarkroomLog log;
    private final Planning planning;
    private final HouseService houses;
    private final LogClock clock;

    CupboardService(DarkroomLog log, Planning planning, HouseService houses, LogClock clock) {
        this.log = log;
        this.planning = planning;
        this.houses = houses;
        this.clock = clock;
    }

    /** Every kit; those that still make something first, the opened ones before the sealed. */
    @Transactional(readOnly = true)
    public List<KitView> kits() {
        return log.state().kits().values().stream()
                .map(this::view)
                .sorted(Comparator.comparing(KitView::mixable)
                        .thenComparing(KitView::opened)
                        .reversed()
                        .thenComparing(KitView::id))
                .toList();
    }

    /** What to order now, with why. */
    @Transactional(readOnly = true)
    public List<String> orders() {
        int weeks = houses.surroundings().deliveryWeeks();
        return Supply.of(log.book(), clock.instant()).stream()
                .filter(supply -> supply.orderNow(weeks))
                .map(supply -> order(supply, weeks))
                .toList();
    }

    private static String order(Supply supply, int weeks) {
        double lasts = Objects.requireNonNullElse(supply.lastsWeeks(), 0.0);
        String left = supply.leftMl() < LEAST_WORTH_MIXING_ML
                ? "nothing more can be mixed"
                : "%s more of every bath, about %s at the rate of the last %d weeks"
                        .formatted(
                                Figures.ml(supply.leftMl()),
                                Figures.count((int) Math.floor(lasts), "week"),
                                supply.weeks());
        return "%s: %s, and an order takes %s.".formatted(supply.leaflet().name(), left, Figures.count(weeks, "week"));
    }

    /** Kits that have stood sealed for long, with the part that will not keep much longer. */
    @Transactional(readOnly = true)
    public List<String> longSealed() {
        return log.state().kits().values().stream()
                .filter(kit -> !kit.isFinished())
                .flatMap(kit -> kit.longSealed(clock.instant()).map(part -> longSealed(kit, part)).stream())
                .toList();
    }

    private String longSealed(KitState kit, PartState part) {
        return "Kit %d, %s: sealed for %s, and %s keeps %s days. Open it next."
                .formatted(
                        kit.id(),
                        kit.arrival().leaflet().name(),
                        Figures.countOfDays(
                                planning.daysSince(kit.arrival().stamp().happenedAt())),
                        part.part().name(),
                        Figures.plain(Objects.requireNonNullElse(part.part().unopenedDays(), 0.0), 0));
    }

    /** A kit, as a box with its parts. */
    @Transactional(readOnly = true)
    public KitView kit(long id) {
        return view(log.state().kit(id));
    }

    private KitView view(KitState kit) {
        Leaflet leaflet = kit.arrival().leaflet();
        House house = houses.house();
        if (kit.isFinished()) {
            return view(kit, house, "Finished: nothing more is mixed from it.", false);
        }
        List<String> baths = kit.complete().stream().map(Bath::key).toList();
        boolean whole = kit.arrival().only().isEmpty();
        boolean takesParts =
                !KitSplit.needs(leaflet.recipes(baths), leaflet.makesMl()).isEmpty();
        if (!takesParts) {
            return view(kit, house, "Parts of no bath alone: keep them for another kit.", false);
        }
        KitSplit split = KitSplit.of(leaflet.recipes(baths), kit.left(), leaflet.makesMl());
        boolean makesSome = split.largestMl() >= LEAST_WORTH_MIXING_ML;
        boolean opened = kit.parts().stream().anyMatch(state -> state.openedAt() != null);
        return whole
                ? view(
                        kit,
                        house,
                        enough(leaflet, split, makesSome, opened) + together(kit, baths, split.largestMl()),
                        makesSome)
                : view(kit, house, enoughAlone(kit, split, makesSome), makesSome);
    }

    /** What parts that were bought alone add to a kit; empty for nothing. */
    private String together(KitState kit, List<String> baths, double alone) {
        List<KitState> others = log.state().kits().values().stream()
                .filter(other ->
                        other.id() != kit.id() && !other.arrival().only().isEmpty() && !other.isFinished())
                .filter(other -> other.arrival()
                        .leaflet()
                        .key()
                        .equals(kit.arrival().leaflet().key()))
                .toList();
        if (others.isEmpty() || kit.isFinished()) {
            return "";
        }
        double makes = Stock.of(Stream.concat(Stream.of(kit), others.stream()).toList())
                .makesMl(baths);
        return makes < alone + LEAST_WORTH_MIXING_ML
                ? ""
                : " With %s, %s of every bath."
                        .formatted(
                                others.stream()
                                        .map(other -> "kit " + other.id())
                                        .collect(Collectors.joining(" and ")),
                                Figures.ml(makes));
    }

    private static String enoughAlone(KitState kit, KitSplit split, boolean makesSome) {
        String baths = kit.complete().stream()
                .map(bath -> Figures.within(bath.role().name()))
                .collect(Collectors.joining(" and "));
        return makesSome
                ? "Bought alone: makes %s of %s, to renew it.".formatted(Figures.ml(split.largestMl()), baths)
                : "Bought alone: makes no more of %s.".formatted(baths);
    }

    private KitView view(KitState kit, House house, String enough, boolean mixable) {
        Leaflet leaflet = kit.arrival().leaflet();
        return new KitView(
                kit.id(),
                leaflet.name(),
                leaflet.maker(),
                leaflet.process().name(),
                arrived(kit, house),
                kit.parts().stream()
                        .map(state -> part(state, kit.arrival().stamp().happenedAt()))
                        .toList(),
                enough,
                mixable,
                kit.isFinished(),
                kit.parts().stream().anyMatch(state -> state.openedAt() != null),
                !kit.arrival().only().isEmpty() && kit.parts().stream().anyMatch(state -> state.left() > 0),
                kit.parts().stream().anyMatch(state -> state.vialsLeft() > 0));
    }

    private static String arrived(KitState kit, House house) {
        String lot = kit.arrival().lot();
        return "Came on %s, %s landed%s"
                .formatted(
                        Figures.day(kit.arrival().stamp().happenedAt(), house.timeZone()),
                        Figures.money(kit.landed()),
                        lot == null ? "" : ", lot " + lot);
    }

    private static String enough(Leaflet leaflet, KitSplit split, boolean mixable, boolean opened) {
        String limiting = leaflet.part(split.limitingPart()).name();
        if (!mixable) {
            return "Makes no more: %s has run out.".formatted(limiting);
        }
        String volume = Figures.ml(split.largestMl());
        return opened
                ? "Makes %s more of every bath; %s runs out first.".formatted(volume, limiting)
                : "Untouched: makes %s of every bath.".formatted(volume);
    }

    private KitView.Part part(PartState state, Instant cameAt) {
        Part part = state.part();
        double share = Math.min(1, state.left() / part.amount());
        double height = share * (BOX_HEIGHT - NECK_HEIGHT);
        return new KitView.Part(
                part.key(),
                part.name(),
                Figures.amount(state.left(), part.unit()).replaceFirst("\u00a0.*", "") + " of "
                        + Figures.amount(part.amount(), part.unit()),
                (int) Math.round(share * 100),
                since(state),
                state.left() > 0
                        ? state.past(cameAt, clock.instant())
                                .map(past ->
                                        PartWords.past(state, past) + "; what is mixed from it has to be tested first")
                                .orElseGet(() -> warning(state))
                        : "",
                part.unit() != Unit.ML,
                BOX_HEIGHT - height,
                height);
    }

    private String since(PartState state) {
        PartState.Decanted decanted = state.decanted();
        if (decanted != null) {
            int left = state.vialsLeft();
            String over = decanted.over() < 0.05
                    ? ""
                    : ", %s over"
                            .formatted(
                                    Figures.amount(decanted.over(), state.part().unit()));
            return "in %s of %s%s, %s"
                    .formatted(
                            left == decanted.vials()
                                    ? Figures.count(left, "vial")
                                    : "%d of %d vials".formatted(left, decanted.vials()),
                            Figures.amount(decanted.each(), state.part().unit()),
                            over,
                            ago(decanted.at()));
        }
        return state.openedAt() == null ? "sealed" : "opened " + ago(state.openedAt());
    }

    private String ago(Instant when) {
        int days = planning.daysSince(when);
        return days == 0 ? "today" : Figures.countOfDays(days) + " ago";
    }

    private String warning(PartState state) {
        Part part = state.part();
        if (state.left() <= 0) {
            return "";
        }
        if (state.openedAt() == null) {
            return part.airSensitive() ? "spoils in air once opened" : "";
        }
        int days = planning.daysSince(Objects.requireNonNull(state.clockFrom()));
        String keeps = PartWords.keeps(state);
        return part.airSensitive()
                ? "spoils in air: day %d of %s".formatted(days, keeps)
                : "keeps %s days".formatted(keeps);
    }
}

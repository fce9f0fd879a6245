package mezcla.web.cupboard.arrival;

import java.time.Instant;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Unit;
import mezcla.log.KitArrived;
import mezcla.log.Purchase;
import mezcla.measure.Refusal;
import mezcla.money.Sharing;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.log.DarkroomLog;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Figures;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Logs kits as they come. */
@Service
public class ArrivalService {
    private final DarkroomLog log;
    private final Leaflets leaflets;
    private final LogClock clock;

    ArrivalService(DarkroomLog log, Leaflets leaflets, LogClock clock) {
        this.log = log;
        this.leaflets = leaflets;
        this.clock = clock;
    }

    /**
     * What came, as it was read.
     *
     * @param leaflet what its sheet says
     * @param count how many of it
     * @param parts keys of the parts that came alone; none for whole kits
     * @param price what one of them cost
     * @param delivery what the delivery of all of them cost
     * @param other what else all of them took
     * @param lot what is printed on it; null for nothing
     * @param note about the supplier; null for nothing
     * @param paidBy who paid; null for the house
     * @param came when it came; null for now
     */
    public record Arrival(
            Leaflet leaflet,
            int count,
            List<String> parts,
            Money price,
            Money delivery,
            Money other,
            @Nullable String lot,
            @Nullable String note,
            @Nullable String paidBy,
            @Nullable Instant came) {}

    /**
     * Logs that kits came, or parts that were bought alone. What delivery and the rest took is shared by all of them, to
     * the last cent.
     *
     * @param who the steward who says so
     * @param arrival what came
     * @return the first of the kits
     * @throws Refusal {@code unknown-part}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public long arrive(SignedIn who, Arrival arrival) {
        Leaflet leaflet = arrival.leaflet();
        arrival.parts().forEach(leaflet::part);
        List<String> only = arrival.parts().size() == leaflet.parts().size() ? List.of() : arrival.parts();
        List<Double> equal = Collections.nCopies(arrival.count(), 1.0);
        List<Money> delivery = Sharing.split(arrival.delivery(), equal);
        List<Money> other = Sharing.split(arrival.other(), equal);
        Instant came = arrival.came() == null ? clock.instant() : arrival.came();
        long first = 0;
        for (int i = 0; i < arrival.count(); i++) {
            long kit = log.newKit();
            Money carried = delivery.get(i);
            Purchase bought = new Purchase(other.get(i), arrival.note(), arrival.paidBy());
            log.add(
                    who,
                    came,
                    false,
                    stamp ->
                            new KitArrived(stamp, kit, leaflet, arrival.price(), carried, arrival.lot(), only, bought));
            first = first == 0 ? kit : first;
        }
        return first;
    }

    /**
     * A bottle or a sachet of a box.
     *
     * @param name what is printed on it
     * @param amount how much it holds
     * @param sachet whether it is drawn as a sachet
     */
    public record Vessel(String name, String amount, boolean sachet) {}

    /**
     * A kit that can be chosen by its picture.
     *
     * @param id the version of its leaflet
     * @param name what it is called
     * @param under its process and maker
     * @param vessels what is in its box
     * @param lastPrice what it cost last; empty where none came yet
     * @param latest whether it is the latest version of its sheet
     */
    public record Choice(long id, String name, String under, List<Vessel> vessels, String lastPrice, boolean latest) {}

    /** Every kit whose sheet is offered; those that came last first. */
    @Transactional(readOnly = true)
    public List<Choice> choices() {
        return leaflets.offered().stream()
                .map(sheet -> {
                    Leaflet leaflet = leaflets.version(sheet.id());
                    return new Choice(
                            sheet.id(),
                            sheet.name(),
                            "%s · %s".formatted(sheet.process(), sheet.maker()),
                            vessels(leaflet),
                            last(leaflet)
                                    .map(kit -> "cost %s last".formatted(Figures.money(kit.price())))
                                    .orElse(""),
                            sheet.latest());
                })
                .sorted(Comparator.comparing(Choice::latest)
                        .thenComparing(choice -> !choice.lastPrice().isEmpty())
                        .reversed())
                .toList();
    }

    /** What is in the box of a kit. */
    public List<Vessel> vessels(Leaflet leaflet) {
        return leaflet.parts().stream()
                .map(part -> new Vessel(part.name(), Figures.amount(part.amount(), part.unit()), isSachet(part)))
                .toList();
    }

    private static boolean isSachet(Part part) {
        return part.unit() != Unit.ML;
    }

    /** The last whole kit of a leaflet that came. */
    @Transactional(readOnly = true)
    public Optional<KitArrived> last(Leaflet leaflet) {
        return log.state().kits().values().stream()
                .map(kit -> kit.arrival())
                .filter(kit -> kit.only().isEmpty() && kit.leaflet().key().equals(leaflet.key()))
                .max(Comparator.comparing(kit -> kit.stamp().happenedAt()));
    }
}

package mezcla.web.adopt;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import mezcla.batch.Bottling;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.LeafletObjection;
import mezcla.log.BatchMixed;
import mezcla.log.Before;
import mezcla.log.Bottle;
import mezcla.log.MixedFill;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.money.TakenOver;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.declared.Refusals;
import mezcla.web.forms.typed.TypedDay;
import mezcla.web.log.DarkroomLog;
import mezcla.web.mixes.Mixes;
import mezcla.web.settings.HouseService;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes over batches that stood there before the log began (rules, 3.6). */
@Service
public class AdoptService {
    private final DarkroomLog log;
    private final HouseService houses;
    private final Mixes mixes;
    private final LogClock clock;

    AdoptService(DarkroomLog log, HouseService houses, Mixes mixes, LogClock clock) {
        this.mixes = mixes;
        this.log = log;
        this.houses = houses;
        this.clock = clock;
    }

    /** The bottles in which nothing stands yet, as far as the log knows. */
    @Transactional(readOnly = true)
    public List<Bottle> freeBottles() {
        return mixes.shelf(log.state()).freeFor(0, houses.bottles());
    }

    /**
     * The day on which it was mixed, as a moment.
     *
     * @throws Refusal {@code missing}, {@code not-a-day} or {@code in-the-future}
     */
    Instant mixedOn(String day) {
        return TypedDay.noonOf(day, houses.house().timeZone(), clock.instant());
    }

    /** A bath as it stands there: how much was typed, how much that is, in which bottle, after how many rolls. */
    record Standing(Bath bath, String typed, Volume volume, String bottle, double rolls) {}

    /**
     * Takes a batch over.
     *
     * @param who who says so
     * @param leaflet what it was mixed by
     * @param name what it is called
     * @param mixed when it was mixed
     * @param cost what all of it cost; null where nobody knows
     * @param baths its baths
     * @return the batch
     * @throws Refusal {@code baths-missing} when nothing stands there
     * @throws Refusals what speaks against its bottles
     */
    @Transactional
    long adopt(SignedIn who, Leaflet leaflet, String name, Instant mixed, @Nullable Money cost, List<Standing> baths) {
        if (baths.isEmpty()) {
            throw Refusal.of(new LeafletObjection.BathsMissing());
        }
        Bottling shelf = mixes.shelf(log.state());
        List<Money> costs = cost == null
                ? List.of()
                : TakenOver.shared(
                        cost,
                        leaflet,
                        baths.stream()
                                .map(standing -> new TakenOver.Standing(
                                        standing.bath(), standing.volume().ml()))
                                .toList());
        List<MixedFill> fills = new ArrayList<>();
        Refusals.Collected refused = new Refusals.Collected();
        for (Standing standing : baths) {
            Bottle bottle = refused.read("bottle-" + standing.bath().key(), () -> taken(shelf, standing));
            if (bottle != null) {
                fills.add(new MixedFill(
                        log.newFill(),
                        leaflet,
                        standing.bath().key(),
                        standing.volume().ml(),
                        standing.typed(),
                        bottle,
                        List.of(),
                        new Before(mixed, standing.rolls(), cost == null ? null : costs.get(baths.indexOf(standing)))));
            }
        }
        refused.refuse();
        long batch = log.newBatch();
        log.add(who, clock.instant(), true, stamp -> new BatchMixed(stamp, batch, name, fills));
        return batch;
    }

    private Bottle taken(Bottling shelf, Standing standing) {
        Bottle bottle = houses.bottles().stream()
                .filter(each -> Long.toString(each.id()).equals(standing.bottle()))
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.BottleMissing()));
        shelf.take(bottle, standing.volume().ml());
        return bottle;
    }
}

package mezcla.web.accounts;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mezcla.batch.KitState;
import mezcla.leaflet.FilmProcess;
import mezcla.planning.BatchSize;
import mezcla.planning.KitOffer;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.settings.things.Tank;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The kits that the house knows a price of, and every sensible way to use each. */
@Service
public class KitOffers {
    private final DarkroomLog log;
    private final HouseService houses;

    KitOffers(DarkroomLog log, HouseService houses) {
        this.log = log;
        this.houses = houses;
    }

    /** The kits of a process, each at what it cost when it last came. */
    @Transactional(readOnly = true)
    public List<KitOffer> of(FilmProcess process) {
        Map<String, KitState> last = new LinkedHashMap<>();
        log.state().kits().values().stream()
                .filter(kit -> kit.arrival().only().isEmpty())
                .filter(kit -> kit.arrival().leaflet().process().equals(process))
                .sorted(Comparator.comparing(kit -> kit.arrival().stamp().happenedAt()))
                .forEach(kit -> last.put(kit.arrival().leaflet().key(), kit));
        return last.values().stream().flatMap(kit -> offerOf(kit).stream()).toList();
    }

    /** A kit as an offer; empty where nobody knows how many rolls it takes. */
    @Transactional(readOnly = true)
    public Optional<KitOffer> offerOf(KitState kit) {
        return KitOffer.of(houses.standIns().over(kit.arrival().leaflet()), kit.landed());
    }

    /** The processes that the house knows a kit of. */
    @Transactional(readOnly = true)
    public List<FilmProcess> processes() {
        return log.state().kits().values().stream()
                .map(kit -> kit.arrival().leaflet().process())
                .distinct()
                .sorted(Comparator.comparing(FilmProcess::name))
                .toList();
    }

    /** The least that a tank takes, in ml. */
    @Transactional(readOnly = true)
    public double smallestMl() {
        return houses.tanks().stream().mapToDouble(Tank::volumeMl).min().orElse(BatchSize.SMALLEST_ML);
    }

    /**
     * Every sensible way to use each kit of a process, the cheapest roll first.
     *
     * @param perWeek how many rolls come a week
     * @param saved how many are saved up before each batch is mixed
     * @param lastsWeeks how long a batch is thought to last; null for as its sheet prints
     */
    @Transactional(readOnly = true)
    public List<BatchSize> sizes(FilmProcess process, double perWeek, int saved, @Nullable Double lastsWeeks) {
        List<KitOffer> offers = of(process).stream()
                .map(offer -> lastsWeeks == null ? offer : offer.lasting(lastsWeeks))
                .toList();
        return BatchSize.ways(offers, smallestMl(), perWeek, saved);
    }

    /** The best way to use each kit of a process, the cheapest roll first. */
    @Transactional(readOnly = true)
    public List<BatchSize> best(FilmProcess process, double perWeek) {
        return BatchSize.best(of(process), smallestMl(), perWeek);
    }
}

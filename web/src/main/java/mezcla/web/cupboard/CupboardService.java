package mezcla.web.cupboard;

import java.util.Comparator;
import java.util.List;
import mezcla.batch.KitState;
import mezcla.batch.PartState;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Part;
import mezcla.leaflet.Unit;
import mezcla.mixing.KitSplit;
import mezcla.web.house.House;
import mezcla.web.house.HouseService;
import mezcla.web.house.Planning;
import mezcla.web.log.DarkroomLog;
import mezcla.web.shell.Figures;
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

    CupboardService(DarkroomLog log, Planning planning, HouseService houses) {
        this.log = log;
        this.planning = planning;
        this.houses = houses;
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

    private KitView view(KitState kit) {
        Leaflet leaflet = kit.arrival().leaflet();
        House house = houses.house();
        KitSplit split = KitSplit.of(leaflet.recipes(), kit.left(), leaflet.makesMl());
        boolean mixable = split.largestMl() >= LEAST_WORTH_MIXING_ML;
        boolean opened = kit.parts().stream().anyMatch(state -> state.openedAt() != null);
        return new KitView(
                kit.id(),
                leaflet.name(),
                leaflet.maker(),
                leaflet.process().name(),
                "Came on %s, %s delivered"
                        .formatted(
                                Figures.day(kit.arrival().stamp().happenedAt(), house.timeZone()),
                                Figures.money(kit.arrival().landed())),
                kit.parts().stream().map(this::part).toList(),
                enough(leaflet, split, mixable, opened),
                mixable,
                opened);
    }

    private static String enough(Leaflet leaflet, KitSplit split, boolean mixable, boolean opened) {
        String limiting = leaflet.part(split.limitingPart()).name();
        if (!mixable) {
            return "Makes no more: %s has run out.".formatted(limiting);
        }
        String volume = Figures.ml(Math.floor(split.largestMl() + 1e-6));
        return opened
                ? "Makes %s more of every bath; %s runs out first.".formatted(volume, limiting)
                : "Untouched: makes %s of every bath.".formatted(volume);
    }

    private KitView.Part part(PartState state) {
        Part part = state.part();
        double share = Math.min(1, state.left() / part.amount());
        double height = share * (BOX_HEIGHT - NECK_HEIGHT);
        return new KitView.Part(
                part.name(),
                Figures.amount(state.left(), part.unit()).split("\u00a0")[0] + " of "
                        + Figures.amount(part.amount(), part.unit()),
                (int) Math.round(share * 100),
                since(state),
                warning(state),
                part.unit() == Unit.G,
                BOX_HEIGHT - height,
                height);
    }

    private String since(PartState state) {
        if (state.openedAt() == null) {
            return "sealed";
        }
        int days = planning.daysSince(state.openedAt());
        return days == 0 ? "opened today" : "opened " + Figures.countOfDays(days) + " ago";
    }

    private String warning(PartState state) {
        Part part = state.part();
        if (state.openedAt() == null || state.left() <= 0) {
            return part.airSensitive() && state.left() > 0 ? "spoils in air once opened" : "";
        }
        if (part.openedDays() == null) {
            return part.airSensitive() ? "spoils in air" : "";
        }
        int days = planning.daysSince(state.openedAt());
        String limit = Figures.plain(part.openedDays(), 0);
        if (days > part.openedDays()) {
            return "past its %s days open".formatted(limit);
        }
        return part.airSensitive() ? "spoils in air: day %d of %s".formatted(days, limit) : "";
    }
}

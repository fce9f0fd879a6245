package mezcla.web.look;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import mezcla.batch.BatchState;
import mezcla.batch.FillState;
import mezcla.batch.ShortCode;
import mezcla.log.BathLooked;
import mezcla.log.FillMeasured;
import mezcla.log.FillSeen;
import mezcla.log.Sign;
import mezcla.measure.Refusal;
import mezcla.measure.Volume;
import mezcla.verdict.RunQuestion;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.drawing.BottleDrawing;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The monthly round of the shelf: every bottle is found, or it surfaces as missing. */
@Service
public class WalkService {

    private final DarkroomLog log;
    private final HouseService houses;
    private final LogClock clock;

    WalkService(DarkroomLog log, HouseService houses, LogClock clock) {
        this.log = log;
        this.houses = houses;
        this.clock = clock;
    }

    /**
     * A bottle of the shelf.
     *
     * @param fillId the fill
     * @param code its short code
     * @param what bottle, bath and batch
     * @param where where it should stand, and how much should be in it
     * @param seen when somebody last had it in hand
     * @param missing whether that is longer ago than a month
     * @param drawing the bottle
     */
    public record Bottle(
            long fillId, String code, String what, String where, String seen, boolean missing, BottleDrawing drawing) {}

    private record Standing(BatchState batch, FillState fill) {}

    /** Every bottle of the shelf; those that nobody has had in hand for longest first. */
    @Transactional(readOnly = true)
    public List<Bottle> bottles() {
        return log.state().standing().stream()
                .flatMap(batch -> batch.fills().stream()
                        .filter(fill -> fill.discarded() == null && !batch.isGuest(fill))
                        .map(fill -> new Standing(batch, fill)))
                .sorted(Comparator.comparing(standing -> standing.fill().seenAt()))
                .map(this::bottle)
                .toList();
    }

    private Bottle bottle(Standing standing) {
        FillState fill = standing.fill();
        Instant seen = fill.seenAt();
        return new Bottle(
                fill.id(),
                ShortCode.of(fill.id()),
                "%s, %s, batch %d"
                        .formatted(
                                fill.bottle().label(),
                                Figures.within(fill.bath().role().name()),
                                standing.batch().id()),
                "%s, %s"
                        .formatted(
                                fill.kept().place() == null
                                        ? "nobody said where"
                                        : fill.kept().place().name(),
                                Figures.ml(fill.inBottleMl())),
                Figures.day(seen, houses.house().timeZone()),
                fill.isMissing(clock.instant()),
                BottleDrawing.of(
                        fill,
                        (int) RunQuestion.daysBetween(
                                fill.mixedAt(), clock.instant(), houses.house().timeZone()),
                        0));
    }

    /**
     * A bottle that was found.
     *
     * @param label what is written on it
     * @param entry the number of the entry that says so
     */
    public record Found(String label, long entry) {}

    /**
     * Logs that a bottle was found.
     *
     * @param code what stands on its label
     * @param volume what is in it; null where it is what the log says
     * @param sign what it looks like; null where nothing strikes
     * @return the bottle, and the entry that says so
     * @throws Refusal {@code not-a-code}, {@code code-of-none}, {@code in-use}, {@code bottle-too-small}
     */
    @Transactional
    public Found find(SignedIn who, String code, @Nullable Volume volume, @Nullable Sign sign) {
        long id = ShortCode.fillOf(code);
        FillState fill = log.state().standing().stream()
                .flatMap(batch -> batch.fills().stream())
                .filter(each -> each.id() == id && each.discarded() == null)
                .findFirst()
                .orElseThrow(() -> Refusal.of(new FormObjection.CodeOfNone(code)));
        long entry = log.add(who, stamp -> new FillSeen(stamp, id)).stamp().sequence();
        if (volume != null) {
            fill.refuseInUse();
            fill.explains(volume.ml());
            log.add(who, stamp -> new FillMeasured(stamp, id, volume.ml()));
        }
        if (sign != null) {
            log.add(who, stamp -> new BathLooked(stamp, id, sign, null));
        }
        return new Found(fill.bottle().label(), entry);
    }
}

package mezcla;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import mezcla.batch.LogBook;
import mezcla.batch.LogState;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.WasteRoute;
import mezcla.log.BatchMixed;
import mezcla.log.BathRenewed;
import mezcla.log.Bottle;
import mezcla.log.DiscardedFill;
import mezcla.log.EntryVoided;
import mezcla.log.FillsDiscarded;
import mezcla.log.KitArrived;
import mezcla.log.LogEntry;
import mezcla.log.MixedFill;
import mezcla.log.Purchase;
import mezcla.log.Roll;
import mezcla.log.RunBath;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.log.Stamp;
import mezcla.measure.FilmFormat;
import mezcla.mixing.BatchPlan;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/** A log that tests write, a row at a time. */
public final class TestLog {
    /** When the first day begins. */
    public static final Instant START = Instant.parse("2026-01-05T18:00:00Z");

    private static final CurrencyUnit NZD = CurrencyUnit.of("NZD");

    private final List<LogEntry> entries = new ArrayList<>();
    private long fills;

    public List<LogEntry> entries() {
        return entries;
    }

    public LogBook book() {
        return LogBook.EMPTY.with(entries);
    }

    public LogState state() {
        return LogState.fold(entries);
    }

    public static Instant day(double day) {
        return START.plus(Duration.ofSeconds((long) (day * 86_400)));
    }

    public <E extends LogEntry> E add(double day, Function<Stamp, E> entry) {
        long sequence = entries.size() + 1L;
        E row = entry.apply(new Stamp(sequence, day(day), START.plusSeconds(sequence), "Ines", false));
        entries.add(row);
        return row;
    }

    public void kit(double day, long kitId, Leaflet leaflet, long landedMinor) {
        add(
                day,
                stamp -> new KitArrived(
                        stamp,
                        kitId,
                        leaflet,
                        Money.ofMinor(NZD, landedMinor),
                        Money.zero(NZD),
                        null,
                        List.of(),
                        Purchase.plainly(NZD)));
    }

    public BatchMixed mix(double day, long batchId, long kitId, double volumeMl) {
        var kit = state().kit(kitId);
        BatchPlan plan = kit.plan(volumeMl);
        List<MixedFill> mixed = plan.baths().stream()
                .map(bath -> new MixedFill(
                        ++fills,
                        plan.leaflet(),
                        bath.bath().key(),
                        bath.mix().finalMl(),
                        volumeMl + " ml",
                        bottle(fills),
                        kit.uses(bath),
                        null))
                .toList();
        return add(day, stamp -> new BatchMixed(stamp, batchId, "Test", mixed));
    }

    public RunStarted start(double day, long batchId, int rolls, double tankMl, Long... fillIds) {
        return add(
                day,
                stamp -> new RunStarted(
                        stamp, batchId, Collections.nCopies(rolls, roll(0)), baths(rolls, fillIds), tankMl));
    }

    public BathRenewed renew(double day, long batchId, long kitId, String bath, double volumeMl) {
        var kit = state().kit(kitId);
        BatchPlan plan = kit.plan(volumeMl, List.of(bath));
        long fill = ++fills;
        return add(
                day,
                stamp -> new BathRenewed(
                        stamp,
                        batchId,
                        new MixedFill(
                                fill,
                                plan.leaflet(),
                                bath,
                                volumeMl,
                                volumeMl + " ml",
                                bottle(fill),
                                kit.uses(plan.baths().get(0)),
                                null)));
    }

    public static Bottle bottle(long id) {
        return new Bottle(id, "T" + id, 2000, Bottle.Material.GLASS);
    }

    private static List<RunBath> baths(int rolls, Long... fillIds) {
        return Arrays.stream(fillIds)
                .map(fill -> new RunBath(fill, 200, rolls, rolls * 5.0, 0, null))
                .toList();
    }

    public void discard(double day, long batchId, long fill) {
        add(
                day,
                stamp -> new FillsDiscarded(
                        stamp, batchId, List.of(new DiscardedFill(fill, 400, WasteRoute.OTHERS)), "old"));
    }

    public RunLogged run(double day, long batchId, int rolls, Long... fillIds) {
        List<Roll> film = Collections.nCopies(rolls, roll(0));
        List<RunBath> baths = baths(rolls, fillIds);
        return add(day, stamp -> new RunLogged(stamp, batchId, film, baths, 300, List.of(), null));
    }

    public void voidEntry(long voided) {
        add(0, stamp -> new EntryVoided(stamp, voided, "written by mistake"));
    }

    public static Roll roll(double stops) {
        return new Roll("Ines", FilmFormat.F120, 1, stops, false);
    }
}

package mezcla;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.function.Function;
import mezcla.batch.Bottle;
import mezcla.batch.LogBook;
import mezcla.batch.LogEntry;
import mezcla.batch.LogState;
import mezcla.batch.Stamp;
import mezcla.batch.WasteRoute;
import mezcla.leaflet.Leaflet;
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
                stamp -> new LogEntry.KitArrived(
                        stamp,
                        kitId,
                        leaflet,
                        Money.ofMinor(NZD, landedMinor),
                        Money.zero(NZD),
                        null,
                        List.of(),
                        LogEntry.Bought.plainly(NZD)));
    }

    public LogEntry.BatchMixed mix(double day, long batchId, long kitId, double volumeMl) {
        var kit = state().kit(kitId);
        BatchPlan plan = kit.plan(volumeMl);
        List<LogEntry.MixedFill> mixed = plan.baths().stream()
                .map(bath -> new LogEntry.MixedFill(
                        ++fills,
                        plan.leaflet(),
                        bath.bath().key(),
                        bath.mix().finalMl(),
                        volumeMl + " ml",
                        bottle(fills),
                        kit.uses(bath),
                        null))
                .toList();
        return add(day, stamp -> new LogEntry.BatchMixed(stamp, batchId, "Test", mixed));
    }

    public LogEntry.RunStarted start(double day, long batchId, int rolls, double tankMl, Long... fillIds) {
        return add(
                day,
                stamp -> new LogEntry.RunStarted(
                        stamp, batchId, Collections.nCopies(rolls, roll(0)), baths(rolls, fillIds), tankMl));
    }

    public LogEntry.BathRenewed renew(double day, long batchId, long kitId, String bath, double volumeMl) {
        var kit = state().kit(kitId);
        BatchPlan plan = kit.plan(volumeMl, List.of(bath));
        long fill = ++fills;
        return add(
                day,
                stamp -> new LogEntry.BathRenewed(
                        stamp,
                        batchId,
                        new LogEntry.MixedFill(
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

    private static List<LogEntry.RunBath> baths(int rolls, Long... fillIds) {
        return Arrays.stream(fillIds)
                .map(fill -> new LogEntry.RunBath(fill, 200, rolls, rolls * 5.0, 0, null))
                .toList();
    }

    public void discard(double day, long batchId, long fill) {
        add(
                day,
                stamp -> new LogEntry.FillsDiscarded(
                        stamp, batchId, List.of(new LogEntry.DiscardedFill(fill, 400, WasteRoute.OTHERS)), "old"));
    }

    public LogEntry.RunLogged run(double day, long batchId, int rolls, Long... fillIds) {
        List<LogEntry.Roll> film = Collections.nCopies(rolls, roll(0));
        List<LogEntry.RunBath> baths = baths(rolls, fillIds);
        return add(day, stamp -> new LogEntry.RunLogged(stamp, batchId, film, baths, 300, List.of(), null));
    }

    public void voidEntry(long voided) {
        add(0, stamp -> new LogEntry.EntryVoided(stamp, voided, "written by mistake"));
    }

    public static LogEntry.Roll roll(double stops) {
        return new LogEntry.Roll("Ines", FilmFormat.F120, 1, stops, false);
    }
}

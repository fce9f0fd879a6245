package mezcla.web.log;

import static java.util.stream.Collectors.groupingBy;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import mezcla.batch.Bottle;
import mezcla.batch.LogEntry;
import mezcla.batch.Place;
import mezcla.batch.Stamp;
import mezcla.leaflet.Leaflet;
import mezcla.measure.FilmFormat;
import mezcla.web.leaflet.Leaflets;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.jspecify.annotations.Nullable;

/** Puts rows of the log together from their tables. */
final class LogReader {
    private final LogMapper mapper;
    private final Leaflets leaflets;

    LogReader(LogMapper mapper, Leaflets leaflets) {
        this.mapper = mapper;
        this.leaflets = leaflets;
    }

    /** A way to make the row of a sequence number, once its stamp is known. */
    private interface Details extends Function<Stamp, LogEntry> {}

    /** The rows that were recorded after one. */
    List<LogEntry> entries(long after) {
        Map<Long, Leaflet> sheets = leaflets.byId();
        Map<Long, Details> details = new HashMap<>();
        addKits(details, after, sheets);
        addMixes(details, after, sheets);
        addRuns(details, after);
        addStarts(details, after);
        addDiscards(details, after);
        addWhatMembersDecided(details, after, sheets);
        mapper.fillsInspected(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.FillInspected(
                                stamp, row.fillId(), row.result(), row.chemistry(), row.trimPercent())));
        addLooks(details, after);
        mapper.voids(after)
                .forEach(row -> details.put(
                        row.sequence(), stamp -> new LogEntry.EntryVoided(stamp, row.voided(), row.reason())));
        List<LogMapper.EntryRow> rows = mapper.entries(after);
        addVolumesAndBars(details, after, rows);
        return rows.stream()
                .map(row -> details.get(row.sequence()).apply(stamp(row)))
                .toList();
    }

    private void addLooks(Map<Long, Details> details, long after) {
        Map<Long, List<Long>> fills = mapper.inspectedFills(after).stream()
                .collect(groupingBy(
                        LogMapper.InspectedFillRow::sequence,
                        Collectors.mapping(LogMapper.InspectedFillRow::fillId, Collectors.toList())));
        mapper.filmInspected(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.FilmInspected(
                                stamp,
                                row.batchId(),
                                row.run(),
                                row.roll(),
                                fills.getOrDefault(row.sequence(), List.of()),
                                row.result(),
                                words(row.suspects()).stream()
                                        .map(LogEntry.Suspect::valueOf)
                                        .collect(Collectors.toSet()),
                                row.trimPercent(),
                                row.note())));
        mapper.fillsSeen(after)
                .forEach(row -> details.put(row.sequence(), stamp -> new LogEntry.FillSeen(stamp, row.fillId())));
        mapper.bathsLooked(after)
                .forEach(row -> details.put(
                        row.sequence(), stamp -> new LogEntry.BathLooked(stamp, row.fillId(), row.sign(), row.note())));
    }

    private static Stamp stamp(LogMapper.EntryRow row) {
        return new Stamp(row.sequence(), row.happenedAt(), row.recordedAt(), row.who(), row.about());
    }

    private void addKits(Map<Long, Details> details, long after, Map<Long, Leaflet> sheets) {
        Map<Long, List<String>> alone = mapper.partsBoughtAlone(after).stream()
                .collect(groupingBy(
                        LogMapper.PartBoughtAloneRow::sequence,
                        Collectors.mapping(LogMapper.PartBoughtAloneRow::part, Collectors.toList())));
        for (LogMapper.KitArrivedRow row : mapper.kitsArrived(after)) {
            CurrencyUnit currency = CurrencyUnit.of(row.currency());
            details.put(
                    row.sequence(),
                    stamp -> new LogEntry.KitArrived(
                            stamp,
                            row.kitId(),
                            sheets.get(row.leafletVersionId()),
                            Money.ofMinor(currency, row.priceMinor()),
                            Money.ofMinor(currency, row.deliveryMinor()),
                            row.lot(),
                            alone.getOrDefault(row.sequence(), List.of()),
                            new LogEntry.Bought(Money.ofMinor(currency, row.otherMinor()), row.note(), row.paidBy())));
        }
        addParts(details, after);
    }

    private void addParts(Map<Long, Details> details, long after) {
        mapper.partsDecanted(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.PartDecanted(stamp, row.kitId(), row.part(), row.vials())));
        mapper.partsCorrected(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.PartCorrected(
                                stamp, row.kitId(), row.part(), row.amount(), row.reason())));
        mapper.partsThrownAway(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.PartThrownAway(
                                stamp, row.kitId(), row.part(), row.amount(), row.route(), row.reason())));
        mapper.partsMoved(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.PartMoved(stamp, row.kitId(), row.part(), row.toKitId(), row.amount())));
        mapper.partsOpened(after)
                .forEach(row ->
                        details.put(row.sequence(), stamp -> new LogEntry.PartOpened(stamp, row.kitId(), row.part())));
    }

    private void addMixes(Map<Long, Details> details, long after, Map<Long, Leaflet> sheets) {
        Map<Long, List<LogEntry.PartUse>> uses = new HashMap<>(mapper.partUses(after).stream()
                .collect(groupingBy(
                        LogMapper.PartUseRow::fillId,
                        Collectors.mapping(
                                row -> new LogEntry.PartUse(row.kitId(), row.part(), row.amount(), row.kitShare()),
                                Collectors.toList()))));
        Map<Long, LogEntry.Before> before = mapper.adoptedFills(after).stream()
                .collect(Collectors.toMap(
                        LogMapper.AdoptedFillRow::fillId, row -> new LogEntry.Before(row.mixedAt(), row.rolls())));
        Map<Long, List<LogEntry.MixedFill>> fills = mapper.fillsMixed(after).stream()
                .collect(groupingBy(
                        LogMapper.MixedFillRow::sequence,
                        Collectors.mapping(
                                row -> mixedFill(
                                        row,
                                        sheets.get(row.leafletVersionId()),
                                        uses.getOrDefault(row.fillId(), List.of()),
                                        before.get(row.fillId())),
                                Collectors.toList())));
        mapper.bathsRenewed(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.BathRenewed(
                                stamp, row.batchId(), fills.get(row.sequence()).get(0))));
        mapper.batchesMixed(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.BatchMixed(stamp, row.batchId(), row.name(), fills.get(row.sequence()))));
    }

    private static LogEntry.MixedFill mixedFill(
            LogMapper.MixedFillRow row,
            Leaflet leaflet,
            List<LogEntry.PartUse> uses,
            LogEntry.@Nullable Before before) {
        return new LogEntry.MixedFill(
                row.fillId(),
                leaflet,
                row.bath(),
                row.volumeMl(),
                row.volumeTyped(),
                new Bottle(row.bottleId(), row.bottleLabel(), row.bottleCapacityMl(), row.bottleMaterial()),
                uses,
                before);
    }

    private void addRuns(Map<Long, Details> details, long after) {
        Map<Long, List<LogEntry.Roll>> rolls = rolls(mapper.runRolls(after));
        Map<Long, List<LogEntry.RunBath>> baths = baths(mapper.runBaths(after));
        mapper.runsLogged(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.RunLogged(
                                stamp,
                                row.batchId(),
                                rolls.get(row.sequence()),
                                baths.get(row.sequence()),
                                row.tankMl(),
                                words(row.against()),
                                row.started(),
                                row.abandoned())));
    }

    private void addStarts(Map<Long, Details> details, long after) {
        Map<Long, List<LogEntry.Roll>> rolls = rolls(mapper.startedRolls(after));
        Map<Long, List<LogEntry.RunBath>> baths = baths(mapper.startedBaths(after));
        mapper.runsStarted(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.RunStarted(
                                stamp,
                                row.batchId(),
                                rolls.get(row.sequence()),
                                baths.get(row.sequence()),
                                row.tankMl())));
        mapper.runsCalledOff(after)
                .forEach(row -> details.put(
                        row.sequence(), stamp -> new LogEntry.RunCalledOff(stamp, row.started(), row.reason())));
    }

    private static Map<Long, List<LogEntry.Roll>> rolls(List<LogMapper.RunRollRow> rows) {
        return rows.stream()
                .collect(groupingBy(
                        LogMapper.RunRollRow::sequence,
                        Collectors.mapping(
                                row -> new LogEntry.Roll(
                                        row.owner(),
                                        FilmFormat.labelled(row.format()),
                                        row.equivalents(),
                                        row.stops(),
                                        row.irreplaceable()),
                                Collectors.toList())));
    }

    private static Map<Long, List<LogEntry.RunBath>> baths(List<LogMapper.RunBathRow> rows) {
        return rows.stream()
                .collect(groupingBy(
                        LogMapper.RunBathRow::sequence,
                        Collectors.mapping(
                                row -> new LogEntry.RunBath(
                                        row.fillId(),
                                        row.seconds(),
                                        row.wearEquivalents(),
                                        row.carryOverMl(),
                                        row.pouredAwayMl(),
                                        row.celsius()),
                                Collectors.toList())));
    }

    private static List<String> words(String text) {
        return Arrays.stream(text.split(" ")).filter(word -> !word.isEmpty()).toList();
    }

    private void addWhatMembersDecided(Map<Long, Details> details, long after, Map<Long, Leaflet> sheets) {
        mapper.fillsShared(after)
                .forEach(row -> details.put(
                        row.sequence(), stamp -> new LogEntry.FillShared(stamp, row.batchId(), row.fillId())));
        mapper.fillsMoved(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.FillMoved(
                                stamp,
                                row.fillId(),
                                new Bottle(
                                        row.bottleId(),
                                        row.bottleLabel(),
                                        row.bottleCapacityMl(),
                                        row.bottleMaterial()),
                                row.placeId() == null ? null : new Place(row.placeId(), row.placeName()),
                                row.air())));
        mapper.limitsOverridden(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.LimitOverridden(stamp, row.fillId(), words(row.limits()), row.reason())));
        Map<Long, List<Long>> corrected = mapper.correctedFills(after).stream()
                .collect(groupingBy(
                        LogMapper.CorrectedFillRow::sequence,
                        Collectors.mapping(LogMapper.CorrectedFillRow::fillId, Collectors.toList())));
        mapper.leafletsCorrected(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.LeafletCorrected(
                                stamp,
                                corrected.get(row.sequence()),
                                sheets.get(row.leafletVersionId()),
                                row.reason())));
        mapper.notesLeft(after)
                .forEach(row ->
                        details.put(row.sequence(), stamp -> new LogEntry.NoteLeft(stamp, row.batchId(), row.text())));
    }

    private void addVolumesAndBars(Map<Long, Details> details, long after, List<LogMapper.EntryRow> rows) {
        Map<Long, String> kinds =
                rows.stream().collect(Collectors.toMap(LogMapper.EntryRow::sequence, LogMapper.EntryRow::kind));
        Map<Long, List<LogEntry.PartUse>> uses = mapper.topUpUses(after).stream()
                .collect(groupingBy(
                        LogMapper.TopUpUseRow::sequence,
                        Collectors.mapping(
                                row -> new LogEntry.PartUse(row.kitId(), row.part(), row.amount(), row.kitShare()),
                                Collectors.toList())));
        for (LogMapper.VolumeChangedRow row : mapper.volumesChanged(after)) {
            details.put(row.sequence(), stamp -> switch (kinds.get(row.sequence())) {
                case "FillSpilled" -> new LogEntry.FillSpilled(stamp, row.fillId(), row.volumeMl());
                case "FillToppedUp" ->
                    new LogEntry.FillToppedUp(
                            stamp, row.fillId(), row.volumeMl(), uses.getOrDefault(row.sequence(), List.of()));
                default -> new LogEntry.FillMeasured(stamp, row.fillId(), row.volumeMl());
            });
        }
        for (LogMapper.BarredRow row : mapper.fillsBarred(after)) {
            details.put(
                    row.sequence(),
                    stamp -> kinds.get(row.sequence()).equals("FillBarred")
                            ? new LogEntry.FillBarred(stamp, row.fillId(), row.reason())
                            : new LogEntry.BarLifted(stamp, row.fillId(), row.reason()));
        }
    }

    private void addDiscards(Map<Long, Details> details, long after) {
        Map<Long, List<LogEntry.DiscardedFill>> fills = mapper.discardedFills(after).stream()
                .collect(groupingBy(
                        LogMapper.DiscardedFillRow::sequence,
                        Collectors.mapping(
                                row -> new LogEntry.DiscardedFill(
                                        row.fillId(), row.volumeMl(), row.route(), row.drumId()),
                                Collectors.toList())));
        mapper.drumsCollected(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.DrumCollected(stamp, row.drumId(), row.drum(), row.volumeMl())));
        mapper.discards(after)
                .forEach(row -> details.put(
                        row.sequence(),
                        stamp -> new LogEntry.FillsDiscarded(
                                stamp, row.batchId(), fills.get(row.sequence()), row.reason())));
    }
}

package mezcla.web.log;

import java.util.List;
import mezcla.batch.LogEntry;
import mezcla.web.leaflet.Leaflets;

/** Takes rows of the log apart into their tables. */
final class LogWriter {
    private final LogMapper mapper;
    private final Leaflets leaflets;

    LogWriter(LogMapper mapper, Leaflets leaflets) {
        this.mapper = mapper;
        this.leaflets = leaflets;
    }

    void addDetails(LogEntry entry) {
        long sequence = entry.stamp().sequence();
        if (entry instanceof LogEntry.KitArrived arrived) {
            mapper.addKitArrived(new LogMapper.KitArrivedRow(
                    sequence,
                    arrived.kitId(),
                    leaflets.idOf(arrived.leaflet()),
                    arrived.price().getCurrencyUnit().getCode(),
                    arrived.price().getAmountMinorLong(),
                    arrived.delivery().getAmountMinorLong(),
                    arrived.lot()));
        } else if (entry instanceof LogEntry.PartOpened opened) {
            mapper.addPartOpened(new LogMapper.PartOpenedRow(sequence, opened.kitId(), opened.part()));
        } else if (entry instanceof LogEntry.BatchMixed mixed) {
            addMix(sequence, mixed);
        } else if (entry instanceof LogEntry.RunLogged run) {
            addRun(sequence, run);
        } else if (entry instanceof LogEntry.FillSpilled spilled) {
            mapper.addVolumeChanged(new LogMapper.VolumeChangedRow(sequence, spilled.fillId(), spilled.volumeMl()));
        } else if (entry instanceof LogEntry.FillToppedUp topped) {
            mapper.addVolumeChanged(new LogMapper.VolumeChangedRow(sequence, topped.fillId(), topped.volumeMl()));
        } else if (entry instanceof LogEntry.FillMeasured measured) {
            mapper.addVolumeChanged(new LogMapper.VolumeChangedRow(sequence, measured.fillId(), measured.volumeMl()));
        } else if (entry instanceof LogEntry.FillBarred barred) {
            mapper.addBarred(new LogMapper.BarredRow(sequence, barred.fillId(), barred.reason()));
        } else if (entry instanceof LogEntry.BarLifted lifted) {
            mapper.addBarred(new LogMapper.BarredRow(sequence, lifted.fillId(), lifted.reason()));
        } else if (entry instanceof LogEntry.FillInspected look) {
            mapper.addInspected(new LogMapper.InspectedRow(
                    sequence, look.fillId(), look.result(), look.chemistry(), look.trimPercent()));
        } else if (entry instanceof LogEntry.FillsDiscarded discarded) {
            addDiscard(sequence, discarded);
        } else if (entry instanceof LogEntry.EntryVoided gone) {
            mapper.addVoid(new LogMapper.VoidedRow(sequence, gone.voided(), gone.reason()));
        }
    }

    private void addMix(long sequence, LogEntry.BatchMixed mixed) {
        mapper.addBatchMixed(new LogMapper.BatchMixedRow(sequence, mixed.batchId(), mixed.name()));
        List<LogEntry.MixedFill> fills = mixed.fills();
        for (int i = 0; i < fills.size(); i++) {
            LogEntry.MixedFill fill = fills.get(i);
            mapper.addMixedFill(
                    new LogMapper.MixedFillRow(
                            fill.fillId(),
                            sequence,
                            leaflets.idOf(fill.leaflet()),
                            fill.bathKey(),
                            fill.volumeMl(),
                            fill.volumeTyped(),
                            fill.bottle().id(),
                            fill.bottle().label(),
                            fill.bottle().capacityMl(),
                            fill.bottle().material()),
                    i);
            fill.uses()
                    .forEach(use -> mapper.addPartUse(new LogMapper.PartUseRow(
                            fill.fillId(), use.kitId(), use.part(), use.amount(), use.kitShare())));
        }
    }

    private void addRun(long sequence, LogEntry.RunLogged run) {
        mapper.addRunLogged(
                new LogMapper.RunLoggedRow(sequence, run.batchId(), run.tankMl(), String.join(" ", run.against())));
        List<LogEntry.Roll> rolls = run.rolls();
        for (int i = 0; i < rolls.size(); i++) {
            LogEntry.Roll roll = rolls.get(i);
            mapper.addRunRoll(
                    new LogMapper.RunRollRow(
                            sequence, roll.owner(), roll.format().label(), roll.equivalents(), roll.stops()),
                    i);
        }
        run.baths()
                .forEach(bath -> mapper.addRunBath(new LogMapper.RunBathRow(
                        sequence,
                        bath.fillId(),
                        bath.seconds(),
                        bath.wearEquivalents(),
                        bath.carryOverMl(),
                        bath.pouredAwayMl())));
    }

    private void addDiscard(long sequence, LogEntry.FillsDiscarded discarded) {
        mapper.addDiscard(new LogMapper.DiscardedRow(sequence, discarded.batchId(), discarded.reason()));
        discarded
                .fills()
                .forEach(fill -> mapper.addDiscardedFill(
                        new LogMapper.DiscardedFillRow(sequence, fill.fillId(), fill.volumeMl(), fill.route())));
    }
}

package mezcla.web.log;

import java.util.List;
import java.util.stream.Collectors;
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
                    arrived.lot(),
                    arrived.bought().other().getAmountMinorLong(),
                    arrived.bought().note(),
                    arrived.bought().paidBy()));
            arrived.only().forEach(part -> mapper.addPartBoughtAlone(new LogMapper.PartBoughtAloneRow(sequence, part)));
        } else if (entry instanceof LogEntry.OfOnePart part) {
            addOfOnePart(sequence, part);
        } else if (entry instanceof LogEntry.BatchMixed mixed) {
            mapper.addBatchMixed(new LogMapper.BatchMixedRow(sequence, mixed.batchId(), mixed.name()));
            addFills(sequence, mixed.fills());
        } else if (entry instanceof LogEntry.BathRenewed renewed) {
            mapper.addBathRenewed(new LogMapper.BathRenewedRow(sequence, renewed.batchId()));
            addFills(sequence, List.of(renewed.fill()));
        } else if (entry instanceof LogEntry.RunLogged run) {
            addRun(sequence, run);
        } else if (entry instanceof LogEntry.RunStarted start) {
            addStart(sequence, start);
        } else if (entry instanceof LogEntry.RunCalledOff off) {
            mapper.addRunCalledOff(new LogMapper.RunCalledOffRow(sequence, off.started(), off.reason()));
        } else if (entry instanceof LogEntry.OfOneFill one) {
            addOfOneFill(sequence, one);
        } else if (entry instanceof LogEntry.LeafletCorrected corrected) {
            mapper.addLeafletCorrected(new LogMapper.LeafletCorrectedRow(
                    sequence, leaflets.idOf(corrected.leaflet()), corrected.reason()));
            corrected
                    .fillIds()
                    .forEach(fill -> mapper.addCorrectedFill(new LogMapper.CorrectedFillRow(sequence, fill)));
        } else if (entry instanceof LogEntry.FilmInspected look) {
            addLook(sequence, look);
        } else if (entry instanceof LogEntry.NoteLeft note) {
            mapper.addNoteLeft(new LogMapper.NoteLeftRow(sequence, note.batchId(), note.text()));
        } else if (entry instanceof LogEntry.FillsDiscarded discarded) {
            addDiscard(sequence, discarded);
        } else if (entry instanceof LogEntry.DrumCollected collected) {
            mapper.addDrumCollected(new LogMapper.DrumCollectedRow(
                    sequence, collected.drumId(), collected.drum(), collected.volumeMl()));
        } else if (entry instanceof LogEntry.EntryVoided gone) {
            mapper.addVoid(new LogMapper.VoidedRow(sequence, gone.voided(), gone.reason()));
        }
    }

    private void addOfOnePart(long sequence, LogEntry.OfOnePart entry) {
        if (entry instanceof LogEntry.PartOpened) {
            mapper.addPartOpened(new LogMapper.PartOpenedRow(sequence, entry.kitId(), entry.part()));
        } else if (entry instanceof LogEntry.PartDecanted decanted) {
            mapper.addPartDecanted(
                    new LogMapper.PartDecantedRow(sequence, entry.kitId(), entry.part(), decanted.vials()));
        } else if (entry instanceof LogEntry.PartCorrected corrected) {
            mapper.addPartCorrected(new LogMapper.PartCorrectedRow(
                    sequence, entry.kitId(), entry.part(), corrected.left(), corrected.reason()));
        } else if (entry instanceof LogEntry.PartThrownAway gone) {
            mapper.addPartThrownAway(new LogMapper.PartThrownAwayRow(
                    sequence, entry.kitId(), entry.part(), gone.amount(), gone.route(), gone.reason()));
        } else if (entry instanceof LogEntry.PartMoved moved) {
            mapper.addPartMoved(
                    new LogMapper.PartMovedRow(sequence, entry.kitId(), entry.part(), moved.toKitId(), moved.amount()));
        }
    }

    private void addOfOneFill(long sequence, LogEntry.OfOneFill entry) {
        if (entry instanceof LogEntry.FillSeen) {
            mapper.addFillSeen(new LogMapper.FillSeenRow(sequence, entry.fillId()));
        } else if (entry instanceof LogEntry.BathLooked looked) {
            mapper.addBathLooked(new LogMapper.BathLookedRow(sequence, looked.fillId(), looked.sign(), looked.note()));
        } else if (entry instanceof LogEntry.FillShared shared) {
            mapper.addFillShared(new LogMapper.FillSharedRow(sequence, shared.batchId(), shared.fillId()));
        } else if (entry instanceof LogEntry.FillMoved moved) {
            addMove(sequence, moved);
        } else if (entry instanceof LogEntry.LimitOverridden overridden) {
            mapper.addLimitOverridden(new LogMapper.LimitOverriddenRow(
                    sequence, overridden.fillId(), String.join(" ", overridden.limits()), overridden.reason()));
        } else if (entry instanceof LogEntry.FillSpilled spilled) {
            mapper.addVolumeChanged(new LogMapper.VolumeChangedRow(sequence, spilled.fillId(), spilled.volumeMl()));
        } else if (entry instanceof LogEntry.FillToppedUp topped) {
            mapper.addVolumeChanged(new LogMapper.VolumeChangedRow(sequence, topped.fillId(), topped.volumeMl()));
            topped.uses()
                    .forEach(use -> mapper.addTopUpUse(new LogMapper.TopUpUseRow(
                            sequence, use.kitId(), use.part(), use.amount(), use.kitShare())));
        } else if (entry instanceof LogEntry.FillMeasured measured) {
            mapper.addVolumeChanged(new LogMapper.VolumeChangedRow(sequence, measured.fillId(), measured.volumeMl()));
        } else if (entry instanceof LogEntry.FillBarred barred) {
            mapper.addBarred(new LogMapper.BarredRow(sequence, barred.fillId(), barred.reason()));
        } else if (entry instanceof LogEntry.BarLifted lifted) {
            mapper.addBarred(new LogMapper.BarredRow(sequence, lifted.fillId(), lifted.reason()));
        } else if (entry instanceof LogEntry.FillInspected look) {
            mapper.addInspected(new LogMapper.InspectedRow(
                    sequence, look.fillId(), look.result(), look.chemistry(), look.trimPercent()));
        }
    }

    private void addLook(long sequence, LogEntry.FilmInspected look) {
        mapper.addFilmInspected(new LogMapper.FilmInspectedRow(
                sequence,
                look.batchId(),
                look.run(),
                look.roll(),
                look.result(),
                look.suspects().stream().map(Enum::name).sorted().collect(Collectors.joining(" ")),
                look.trimPercent(),
                look.note()));
        look.fillIds().forEach(fill -> mapper.addInspectedFill(new LogMapper.InspectedFillRow(sequence, fill)));
    }

    private void addMove(long sequence, LogEntry.FillMoved moved) {
        mapper.addFillMoved(new LogMapper.FillMovedRow(
                sequence,
                moved.fillId(),
                moved.bottle().id(),
                moved.bottle().label(),
                moved.bottle().capacityMl(),
                moved.bottle().material(),
                moved.place() == null ? null : moved.place().id(),
                moved.place() == null ? null : moved.place().name(),
                moved.air()));
    }

    private void addFills(long sequence, List<LogEntry.MixedFill> fills) {
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
            LogEntry.Before before = fill.before();
            if (before != null) {
                mapper.addAdoptedFill(new LogMapper.AdoptedFillRow(fill.fillId(), before.mixedAt(), before.rolls()));
            }
        }
    }

    private void addRun(long sequence, LogEntry.RunLogged run) {
        mapper.addRunLogged(new LogMapper.RunLoggedRow(
                sequence,
                run.batchId(),
                run.tankMl(),
                String.join(" ", run.against()),
                run.started(),
                run.abandoned()));
        for (int i = 0; i < run.rolls().size(); i++) {
            mapper.addRunRoll(row(sequence, run.rolls().get(i)), i);
        }
        run.baths().forEach(bath -> mapper.addRunBath(row(sequence, bath)));
    }

    private void addStart(long sequence, LogEntry.RunStarted start) {
        mapper.addRunStarted(new LogMapper.RunStartedRow(sequence, start.batchId(), start.tankMl()));
        for (int i = 0; i < start.rolls().size(); i++) {
            mapper.addStartedRoll(row(sequence, start.rolls().get(i)), i);
        }
        start.baths().forEach(bath -> mapper.addStartedBath(row(sequence, bath)));
    }

    private static LogMapper.RunRollRow row(long sequence, LogEntry.Roll roll) {
        return new LogMapper.RunRollRow(
                sequence, roll.owner(), roll.format().label(), roll.equivalents(), roll.stops(), roll.irreplaceable());
    }

    private static LogMapper.RunBathRow row(long sequence, LogEntry.RunBath bath) {
        return new LogMapper.RunBathRow(
                sequence,
                bath.fillId(),
                bath.seconds(),
                bath.wearEquivalents(),
                bath.carryOverMl(),
                bath.pouredAwayMl(),
                bath.celsius());
    }

    private void addDiscard(long sequence, LogEntry.FillsDiscarded discarded) {
        mapper.addDiscard(new LogMapper.DiscardedRow(sequence, discarded.batchId(), discarded.reason()));
        discarded
                .fills()
                .forEach(fill -> mapper.addDiscardedFill(new LogMapper.DiscardedFillRow(
                        sequence, fill.fillId(), fill.volumeMl(), fill.route(), fill.drumId())));
    }
}

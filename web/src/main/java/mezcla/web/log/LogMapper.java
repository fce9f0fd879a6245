package mezcla.web.log;

import java.time.Instant;
import java.util.List;
import mezcla.batch.AirKept;
import mezcla.batch.Bottle;
import mezcla.batch.LogEntry;
import mezcla.batch.Sign;
import mezcla.batch.WasteRoute;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** The rows of the log. They are only ever added. */
@Mapper
interface LogMapper {
    record EntryRow(long sequence, String kind, String who, Instant happenedAt, Instant recordedAt, boolean about) {}

    record KitArrivedRow(
            long sequence,
            long kitId,
            long leafletVersionId,
            String currency,
            long priceMinor,
            long deliveryMinor,
            @Nullable String lot,
            long otherMinor,
            @Nullable String note,
            @Nullable String paidBy) {}

    record PartOpenedRow(long sequence, long kitId, String part) {}

    record PartDecantedRow(long sequence, long kitId, String part, int vials) {}

    record PartCorrectedRow(long sequence, long kitId, String part, double amount, String reason) {}

    record PartThrownAwayRow(long sequence, long kitId, String part, double amount, WasteRoute route, String reason) {}

    record PartMovedRow(long sequence, long kitId, String part, long toKitId, double amount) {}

    record BatchMixedRow(long sequence, long batchId, String name) {}

    record MixedFillRow(
            long fillId,
            long sequence,
            long leafletVersionId,
            String bath,
            double volumeMl,
            String volumeTyped,
            long bottleId,
            String bottleLabel,
            double bottleCapacityMl,
            Bottle.Material bottleMaterial) {}

    record PartUseRow(long fillId, long kitId, String part, double amount, double kitShare) {}

    record RunLoggedRow(
            long sequence,
            long batchId,
            double tankMl,
            String against,
            @Nullable Long started,
            @Nullable String abandoned) {}

    record RunStartedRow(long sequence, long batchId, double tankMl) {}

    record RunCalledOffRow(long sequence, long started, String reason) {}

    record PartBoughtAloneRow(long sequence, String part) {}

    record AdoptedFillRow(long fillId, Instant mixedAt, double rolls) {}

    record TopUpUseRow(long sequence, long kitId, String part, double amount, double kitShare) {}

    record BathRenewedRow(long sequence, long batchId) {}

    record FillSharedRow(long sequence, long batchId, long fillId) {}

    record FillMovedRow(
            long sequence,
            long fillId,
            long bottleId,
            String bottleLabel,
            double bottleCapacityMl,
            Bottle.Material bottleMaterial,
            @Nullable Long placeId,
            @Nullable String placeName,
            AirKept air) {}

    record LimitOverriddenRow(long sequence, long fillId, String limits, String reason) {}

    record LeafletCorrectedRow(long sequence, long leafletVersionId, String reason) {}

    record CorrectedFillRow(long sequence, long fillId) {}

    record NoteLeftRow(long sequence, long batchId, String text) {}

    record RunRollRow(
            long sequence, String owner, String format, double equivalents, double stops, boolean irreplaceable) {}

    record RunBathRow(
            long sequence,
            long fillId,
            @Nullable Integer seconds,
            double wearEquivalents,
            double carryOverMl,
            double pouredAwayMl,
            @Nullable Double celsius) {}

    record VolumeChangedRow(long sequence, long fillId, double volumeMl) {}

    record InspectedRow(long sequence, long fillId, LogEntry.Result result, boolean chemistry, double trimPercent) {}

    record DiscardedRow(long sequence, long batchId, String reason) {}

    record DiscardedFillRow(long sequence, long fillId, double volumeMl, WasteRoute route, @Nullable Long drumId) {}

    record DrumCollectedRow(long sequence, long drumId, String drum, double volumeMl) {}

    record BarredRow(long sequence, long fillId, String reason) {}

    record VoidedRow(long sequence, long voided, String reason) {}

    @Select("SELECT coalesce(max(sequence), 0) FROM log_entry")
    long lastSequence();

    @Select(
            """
            SELECT entry.sequence, entry.kind, member.name AS who, entry.happened_at, entry.recorded_at, entry.about
            FROM log_entry entry
            JOIN member ON member.id = entry.member_id
            WHERE entry.sequence > #{after}
            ORDER BY entry.sequence
            """)
    List<EntryRow> entries(long after);

    @Select(
            """
            SELECT sequence, kit_id, leaflet_version_id, currency, price_minor, delivery_minor, lot, other_minor, note, paid_by
            FROM kit_arrived
            WHERE sequence > #{after}
            """)
    List<KitArrivedRow> kitsArrived(long after);

    @Select(
            """
            SELECT sequence, kit_id, part FROM part_opened
            WHERE sequence > #{after}
            """)
    List<PartOpenedRow> partsOpened(long after);

    @Select(
            """
            SELECT sequence, batch_id, name FROM batch_mixed
            WHERE sequence > #{after}
            """)
    List<BatchMixedRow> batchesMixed(long after);

    @Select(
            """
            SELECT fill.fill_id, fill.sequence, fill.leaflet_version_id, fill.bath, fill.volume_ml, fill.volume_typed,
            fill.bottle_id, bottle.label AS bottle_label, bottle.capacity_ml AS bottle_capacity_ml,
            bottle.material AS bottle_material
            FROM mixed_fill fill
            JOIN bottle ON bottle.id = fill.bottle_id
            WHERE fill.sequence > #{after}
            ORDER BY fill.sequence, fill.position
            """)
    List<MixedFillRow> fillsMixed(long after);

    @Select(
            """
            SELECT part_use.fill_id, kit_id, part, amount, kit_share FROM part_use
            JOIN mixed_fill ON mixed_fill.fill_id = part_use.fill_id
            WHERE mixed_fill.sequence > #{after}
            """)
    List<PartUseRow> partUses(long after);

    @Select(
            """
            SELECT sequence, batch_id, tank_ml, against, started, abandoned FROM run_logged
            WHERE sequence > #{after}
            """)
    List<RunLoggedRow> runsLogged(long after);

    @Select(
            """
            SELECT sequence, owner, format, equivalents, stops, irreplaceable FROM run_roll
            WHERE sequence > #{after}
            ORDER BY sequence, position
            """)
    List<RunRollRow> runRolls(long after);

    @Select(
            """
            SELECT sequence, fill_id, seconds, wear_equivalents, carry_over_ml, poured_away_ml, celsius
            FROM run_bath
            WHERE sequence > #{after}
            """)
    List<RunBathRow> runBaths(long after);

    @Select(
            """
            SELECT sequence, batch_id, tank_ml FROM run_started
            WHERE sequence > #{after}
            """)
    List<RunStartedRow> runsStarted(long after);

    @Select(
            """
            SELECT sequence, owner, format, equivalents, stops, irreplaceable FROM started_roll
            WHERE sequence > #{after}
            ORDER BY sequence, position
            """)
    List<RunRollRow> startedRolls(long after);

    @Select(
            """
            SELECT sequence, fill_id, seconds, wear_equivalents, carry_over_ml, poured_away_ml, NULL AS celsius
            FROM started_bath
            WHERE sequence > #{after}
            """)
    List<RunBathRow> startedBaths(long after);

    @Select(
            """
            SELECT sequence, started, reason FROM run_called_off
            WHERE sequence > #{after}
            """)
    List<RunCalledOffRow> runsCalledOff(long after);

    @Select(
            """
            SELECT sequence, part FROM part_bought_alone
            WHERE sequence > #{after}
            """)
    List<PartBoughtAloneRow> partsBoughtAlone(long after);

    @Select(
            """
            SELECT adopted_fill.fill_id, mixed_at, rolls FROM adopted_fill
            JOIN mixed_fill ON mixed_fill.fill_id = adopted_fill.fill_id
            WHERE mixed_fill.sequence > #{after}
            """)
    List<AdoptedFillRow> adoptedFills(long after);

    @Select(
            """
            SELECT sequence, kit_id, part, amount, kit_share FROM top_up_use
            WHERE sequence > #{after}
            """)
    List<TopUpUseRow> topUpUses(long after);

    @Select(
            """
            SELECT sequence, batch_id FROM bath_renewed
            WHERE sequence > #{after}
            """)
    List<BathRenewedRow> bathsRenewed(long after);

    @Select(
            """
            SELECT sequence, batch_id, fill_id FROM fill_shared
            WHERE sequence > #{after}
            """)
    List<FillSharedRow> fillsShared(long after);

    @Select(
            """
            SELECT moved.sequence, moved.fill_id, moved.bottle_id, bottle.label AS bottle_label,
            bottle.capacity_ml AS bottle_capacity_ml, bottle.material AS bottle_material,
            moved.place_id, place.name AS place_name, moved.air
            FROM fill_moved moved
            JOIN bottle ON bottle.id = moved.bottle_id
            LEFT JOIN place ON place.id = moved.place_id
            WHERE moved.sequence > #{after}
            """)
    List<FillMovedRow> fillsMoved(long after);

    @Select(
            """
            SELECT sequence, fill_id, limits, reason FROM limit_overridden
            WHERE sequence > #{after}
            """)
    List<LimitOverriddenRow> limitsOverridden(long after);

    @Select(
            """
            SELECT sequence, leaflet_version_id, reason FROM leaflet_corrected
            WHERE sequence > #{after}
            """)
    List<LeafletCorrectedRow> leafletsCorrected(long after);

    @Select(
            """
            SELECT sequence, fill_id FROM corrected_fill
            WHERE sequence > #{after}
            ORDER BY sequence, fill_id
            """)
    List<CorrectedFillRow> correctedFills(long after);

    @Select(
            """
            SELECT sequence, batch_id, text FROM note_left
            WHERE sequence > #{after}
            """)
    List<NoteLeftRow> notesLeft(long after);

    @Select(
            """
            SELECT sequence, fill_id, volume_ml FROM fill_volume_changed
            WHERE sequence > #{after}
            """)
    List<VolumeChangedRow> volumesChanged(long after);

    @Select(
            """
            SELECT sequence, fill_id, result, chemistry, trim_percent FROM fill_inspected
            WHERE sequence > #{after}
            """)
    List<InspectedRow> fillsInspected(long after);

    @Select(
            """
            SELECT sequence, batch_id, reason FROM fills_discarded
            WHERE sequence > #{after}
            """)
    List<DiscardedRow> discards(long after);

    @Select(
            """
            SELECT sequence, fill_id, volume_ml, route, drum_id FROM discarded_fill
            WHERE sequence > #{after}
            """)
    List<DiscardedFillRow> discardedFills(long after);

    @Select(
            """
            SELECT collected.sequence, collected.drum_id, drum.name AS drum, collected.volume_ml
            FROM drum_collected collected
            JOIN drum ON drum.id = collected.drum_id
            WHERE collected.sequence > #{after}
            """)
    List<DrumCollectedRow> drumsCollected(long after);

    @Insert("INSERT INTO drum_collected (sequence, drum_id, volume_ml) VALUES (#{sequence}, #{drumId}, #{volumeMl})")
    void addDrumCollected(DrumCollectedRow row);

    @Select(
            """
            SELECT sequence, fill_id, reason FROM fill_barred
            WHERE sequence > #{after}
            """)
    List<BarredRow> fillsBarred(long after);

    @Select(
            """
            SELECT sequence, voided, reason FROM entry_voided
            WHERE sequence > #{after}
            """)
    List<VoidedRow> voids(long after);

    @Select(value = "INSERT INTO kit DEFAULT VALUES RETURNING id", affectData = true)
    long newKit();

    @Select(value = "INSERT INTO batch DEFAULT VALUES RETURNING id", affectData = true)
    long newBatch();

    @Select(value = "INSERT INTO fill DEFAULT VALUES RETURNING id", affectData = true)
    long newFill();

    @Insert(
            """
            INSERT INTO log_entry (sequence, kind, member_id, happened_at, recorded_at, about)
            VALUES (#{sequence}, #{kind}, #{memberId}, #{happenedAt}, #{recordedAt}, #{about})
            """)
    void addEntry(long sequence, String kind, long memberId, Instant happenedAt, Instant recordedAt, boolean about);

    @Insert(
            """
            INSERT INTO kit_arrived
                (sequence, kit_id, leaflet_version_id, currency, price_minor, delivery_minor, lot, other_minor, note,
                 paid_by)
            VALUES
                (#{sequence}, #{kitId}, #{leafletVersionId}, #{currency}, #{priceMinor}, #{deliveryMinor}, #{lot},
                 #{otherMinor}, #{note}, #{paidBy})
            """)
    void addKitArrived(KitArrivedRow row);

    @Insert("INSERT INTO part_opened (sequence, kit_id, part) VALUES (#{sequence}, #{kitId}, #{part})")
    void addPartOpened(PartOpenedRow row);

    @Select(
            """
            SELECT sequence, kit_id, part, vials FROM part_decanted
            WHERE sequence > #{after}
            """)
    List<PartDecantedRow> partsDecanted(long after);

    @Insert(
            "INSERT INTO part_decanted (sequence, kit_id, part, vials) VALUES (#{sequence}, #{kitId}, #{part}, #{vials})")
    void addPartDecanted(PartDecantedRow row);

    @Select(
            """
            SELECT sequence, kit_id, part, amount, reason FROM part_corrected
            WHERE sequence > #{after}
            """)
    List<PartCorrectedRow> partsCorrected(long after);

    @Insert(
            """
            INSERT INTO part_corrected (sequence, kit_id, part, amount, reason)
            VALUES (#{sequence}, #{kitId}, #{part}, #{amount}, #{reason})
            """)
    void addPartCorrected(PartCorrectedRow row);

    @Select(
            """
            SELECT sequence, kit_id, part, amount, route, reason FROM part_thrown_away
            WHERE sequence > #{after}
            """)
    List<PartThrownAwayRow> partsThrownAway(long after);

    @Insert(
            """
            INSERT INTO part_thrown_away (sequence, kit_id, part, amount, route, reason)
            VALUES (#{sequence}, #{kitId}, #{part}, #{amount}, #{route}, #{reason})
            """)
    void addPartThrownAway(PartThrownAwayRow row);

    @Select(
            """
            SELECT sequence, kit_id, part, to_kit_id, amount FROM part_moved
            WHERE sequence > #{after}
            """)
    List<PartMovedRow> partsMoved(long after);

    @Insert(
            """
            INSERT INTO part_moved (sequence, kit_id, part, to_kit_id, amount)
            VALUES (#{sequence}, #{kitId}, #{part}, #{toKitId}, #{amount})
            """)
    void addPartMoved(PartMovedRow row);

    @Insert("INSERT INTO batch_mixed (sequence, batch_id, name) VALUES (#{sequence}, #{batchId}, #{name})")
    void addBatchMixed(BatchMixedRow row);

    @Insert(
            """
            INSERT INTO mixed_fill
                (fill_id, sequence, position, leaflet_version_id, bath, volume_ml, volume_typed, bottle_id)
            VALUES
                (#{row.fillId}, #{row.sequence}, #{position}, #{row.leafletVersionId}, #{row.bath}, #{row.volumeMl},
                 #{row.volumeTyped}, #{row.bottleId})
            """)
    void addMixedFill(MixedFillRow row, int position);

    @Insert(
            """
            INSERT INTO part_use (fill_id, kit_id, part, amount, kit_share)
            VALUES (#{fillId}, #{kitId}, #{part}, #{amount}, #{kitShare})
            """)
    void addPartUse(PartUseRow row);

    @Insert(
            """
            INSERT INTO run_logged (sequence, batch_id, tank_ml, against, started, abandoned)
            VALUES (#{sequence}, #{batchId}, #{tankMl}, #{against}, #{started}, #{abandoned})
            """)
    void addRunLogged(RunLoggedRow row);

    @Insert(
            """
            INSERT INTO run_roll (sequence, position, owner, format, equivalents, stops, irreplaceable)
            VALUES (#{row.sequence}, #{position}, #{row.owner}, #{row.format}, #{row.equivalents}, #{row.stops},
                    #{row.irreplaceable})
            """)
    void addRunRoll(RunRollRow row, int position);

    @Insert(
            """
            INSERT INTO run_bath (sequence, fill_id, seconds, wear_equivalents, carry_over_ml, poured_away_ml, celsius)
            VALUES
                (#{sequence}, #{fillId}, #{seconds}, #{wearEquivalents}, #{carryOverMl}, #{pouredAwayMl}, #{celsius})
            """)
    void addRunBath(RunBathRow row);

    @Insert("INSERT INTO run_started (sequence, batch_id, tank_ml) VALUES (#{sequence}, #{batchId}, #{tankMl})")
    void addRunStarted(RunStartedRow row);

    @Insert(
            """
            INSERT INTO started_roll (sequence, position, owner, format, equivalents, stops, irreplaceable)
            VALUES (#{row.sequence}, #{position}, #{row.owner}, #{row.format}, #{row.equivalents}, #{row.stops},
                    #{row.irreplaceable})
            """)
    void addStartedRoll(RunRollRow row, int position);

    @Insert(
            """
            INSERT INTO started_bath (sequence, fill_id, seconds, wear_equivalents, carry_over_ml, poured_away_ml)
            VALUES (#{sequence}, #{fillId}, #{seconds}, #{wearEquivalents}, #{carryOverMl}, #{pouredAwayMl})
            """)
    void addStartedBath(RunBathRow row);

    @Insert("INSERT INTO run_called_off (sequence, started, reason) VALUES (#{sequence}, #{started}, #{reason})")
    void addRunCalledOff(RunCalledOffRow row);

    @Insert("INSERT INTO part_bought_alone (sequence, part) VALUES (#{sequence}, #{part})")
    void addPartBoughtAlone(PartBoughtAloneRow row);

    @Insert("INSERT INTO adopted_fill (fill_id, mixed_at, rolls) VALUES (#{fillId}, #{mixedAt}, #{rolls})")
    void addAdoptedFill(AdoptedFillRow row);

    @Insert(
            """
            INSERT INTO top_up_use (sequence, kit_id, part, amount, kit_share)
            VALUES (#{sequence}, #{kitId}, #{part}, #{amount}, #{kitShare})
            """)
    void addTopUpUse(TopUpUseRow row);

    @Insert("INSERT INTO bath_renewed (sequence, batch_id) VALUES (#{sequence}, #{batchId})")
    void addBathRenewed(BathRenewedRow row);

    @Insert("INSERT INTO fill_shared (sequence, batch_id, fill_id) VALUES (#{sequence}, #{batchId}, #{fillId})")
    void addFillShared(FillSharedRow row);

    @Insert(
            """
            INSERT INTO fill_moved (sequence, fill_id, bottle_id, place_id, air)
            VALUES (#{sequence}, #{fillId}, #{bottleId}, #{placeId}, #{air})
            """)
    void addFillMoved(FillMovedRow row);

    @Insert(
            """
            INSERT INTO limit_overridden (sequence, fill_id, limits, reason)
            VALUES (#{sequence}, #{fillId}, #{limits}, #{reason})
            """)
    void addLimitOverridden(LimitOverriddenRow row);

    @Insert(
            """
            INSERT INTO leaflet_corrected (sequence, leaflet_version_id, reason)
            VALUES (#{sequence}, #{leafletVersionId}, #{reason})
            """)
    void addLeafletCorrected(LeafletCorrectedRow row);

    @Insert("INSERT INTO corrected_fill (sequence, fill_id) VALUES (#{sequence}, #{fillId})")
    void addCorrectedFill(CorrectedFillRow row);

    @Insert("INSERT INTO note_left (sequence, batch_id, text) VALUES (#{sequence}, #{batchId}, #{text})")
    void addNoteLeft(NoteLeftRow row);

    @Insert(
            "INSERT INTO fill_volume_changed (sequence, fill_id, volume_ml) VALUES (#{sequence}, #{fillId}, #{volumeMl})")
    void addVolumeChanged(VolumeChangedRow row);

    @Insert(
            """
            INSERT INTO fill_inspected (sequence, fill_id, result, chemistry, trim_percent)
            VALUES (#{sequence}, #{fillId}, #{result}, #{chemistry}, #{trimPercent})
            """)
    void addInspected(InspectedRow row);

    @Insert("INSERT INTO fills_discarded (sequence, batch_id, reason) VALUES (#{sequence}, #{batchId}, #{reason})")
    void addDiscard(DiscardedRow row);

    @Insert(
            """
            INSERT INTO discarded_fill (sequence, fill_id, volume_ml, route, drum_id)
            VALUES (#{sequence}, #{fillId}, #{volumeMl}, #{route}, #{drumId})
            """)
    void addDiscardedFill(DiscardedFillRow row);

    @Insert("INSERT INTO fill_barred (sequence, fill_id, reason) VALUES (#{sequence}, #{fillId}, #{reason})")
    void addBarred(BarredRow row);

    @Insert("INSERT INTO entry_voided (sequence, voided, reason) VALUES (#{sequence}, #{voided}, #{reason})")
    void addVoid(VoidedRow row);

    record FilmInspectedRow(
            long sequence,
            long batchId,
            long run,
            int roll,
            LogEntry.Result result,
            String suspects,
            @Nullable Double trimPercent,
            @Nullable String note) {}

    record InspectedFillRow(long sequence, long fillId) {}

    record BathLookedRow(long sequence, long fillId, Sign sign, @Nullable String note) {}

    @Select(
            """
            SELECT sequence, batch_id, run, roll, result, suspects, trim_percent, note FROM film_inspected
            WHERE sequence > #{after}
            """)
    List<FilmInspectedRow> filmInspected(long after);

    @Select(
            """
            SELECT sequence, fill_id FROM inspected_fill
            WHERE sequence > #{after}
            ORDER BY sequence, fill_id
            """)
    List<InspectedFillRow> inspectedFills(long after);

    @Select(
            """
            SELECT sequence, fill_id, sign, note FROM bath_looked
            WHERE sequence > #{after}
            """)
    List<BathLookedRow> bathsLooked(long after);

    @Insert(
            """
            INSERT INTO film_inspected (sequence, batch_id, run, roll, result, suspects, trim_percent, note)
            VALUES
                (#{sequence}, #{batchId}, #{run}, #{roll}, #{result}, #{suspects}, #{trimPercent}, #{note})
            """)
    void addFilmInspected(FilmInspectedRow row);

    @Insert("INSERT INTO inspected_fill (sequence, fill_id) VALUES (#{sequence}, #{fillId})")
    void addInspectedFill(InspectedFillRow row);

    @Insert("INSERT INTO bath_looked (sequence, fill_id, sign, note) VALUES (#{sequence}, #{fillId}, #{sign}, #{note})")
    void addBathLooked(BathLookedRow row);

    record FillSeenRow(long sequence, long fillId) {}

    @Select(
            """
            SELECT sequence, fill_id FROM fill_seen
            WHERE sequence > #{after}
            """)
    List<FillSeenRow> fillsSeen(long after);

    @Insert("INSERT INTO fill_seen (sequence, fill_id) VALUES (#{sequence}, #{fillId})")
    void addFillSeen(FillSeenRow row);
}

package mezcla.web.mixes;

import java.time.Instant;
import java.util.List;
import mezcla.leaflet.WasteRoute;
import mezcla.mixing.BenchWalk;
import mezcla.mixing.MixOrder;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Mixes at the bench. Rows are only ever added. */
@Mapper
public interface MixMapper {
    /** A mix that is about to begin. */
    record NewMix(
            long memberId,
            Instant begunAt,
            long leafletVersionId,
            long batchId,
            @Nullable String name,
            @Nullable Long oldFillId,
            @Nullable WasteRoute oldFillRoute,
            MixOrder mixOrder) {}

    /** A mix that was begun. */
    record BegunRow(
            long id,
            String who,
            Instant begunAt,
            long leafletVersionId,
            long batchId,
            @Nullable String name,
            @Nullable Long oldFillId,
            @Nullable WasteRoute oldFillRoute,
            MixOrder mixOrder,
            boolean ended) {}

    /** A bath of a mix. */
    record BathRow(String bath, long fillId, double volumeMl, double partsForMl, String volumeTyped, long bottleId) {}

    /** What the kits had of a part when a mix began. */
    record LeftRow(String part, double amount) {}

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(
            value =
                    """
            INSERT INTO mix_begun
                (member_id, begun_at, leaflet_version_id, batch_id, name, old_fill_id, old_fill_route, mix_order)
            VALUES
                (#{memberId}, #{begunAt}, #{leafletVersionId}, #{batchId}, #{name}, #{oldFillId}, #{oldFillRoute},
                #{mixOrder})
            RETURNING id
            """,
            affectData = true)
    long begin(NewMix mix);

    @Insert("INSERT INTO mix_kit (mix_id, position, kit_id) VALUES (#{mixId}, #{position}, #{kitId})")
    void addKit(long mixId, int position, long kitId);

    @Insert("INSERT INTO mix_left (mix_id, part, amount) VALUES (#{mixId}, #{part}, #{amount})")
    void addLeft(long mixId, String part, double amount);

    @Insert(
            """
            INSERT INTO mix_bath (mix_id, bath, fill_id, volume_ml, parts_for_ml, volume_typed, bottle_id)
            VALUES
                (#{mixId}, #{row.bath}, #{row.fillId}, #{row.volumeMl}, #{row.partsForMl}, #{row.volumeTyped},
                 NULLIF(#{row.bottleId}, 0))
            """)
    void addBath(long mixId, BathRow row);

    @Insert(
            """
            INSERT INTO mix_tick (mix_id, act, undone, poured, celsius, member_id, at)
            VALUES (#{mixId}, #{act}, #{undone}, #{poured}, #{celsius}, #{memberId}, #{at})
            """)
    void addTick(
            long mixId,
            int act,
            boolean undone,
            @Nullable Double poured,
            @Nullable Double celsius,
            long memberId,
            Instant at);

    @Insert(
            "INSERT INTO mix_ended (mix_id, abandoned, member_id, at) VALUES (#{mixId}, #{abandoned}, #{memberId}, #{at})")
    void end(long mixId, boolean abandoned, long memberId, Instant at);

    @Select(
            """
            SELECT mix_begun.id, member.name AS who, begun_at, leaflet_version_id, batch_id, mix_begun.name, old_fill_id,
                   old_fill_route, CASE warmest_first WHEN 1 THEN 'WARMEST_FIRST' ELSE mix_order END AS mix_order, mix_ended.mix_id IS NOT NULL AS ended
            FROM mix_begun
            JOIN member ON member.id = mix_begun.member_id
            LEFT JOIN mix_ended ON mix_ended.mix_id = mix_begun.id
            WHERE mix_begun.id = #{id}
            """)
    @Nullable
    BegunRow begun(@Param("id") long id);

    @Select(
            """
            SELECT mix_begun.id, member.name AS who, begun_at, leaflet_version_id, batch_id, mix_begun.name, old_fill_id,
                   old_fill_route, CASE warmest_first WHEN 1 THEN 'WARMEST_FIRST' ELSE mix_order END AS mix_order, 0 AS ended
            FROM mix_begun
            JOIN member ON member.id = mix_begun.member_id
            WHERE mix_begun.id NOT IN (SELECT mix_id FROM mix_ended)
            ORDER BY mix_begun.id
            """)
    List<BegunRow> underWay();

    @Select("SELECT kit_id FROM mix_kit WHERE mix_id = #{id} ORDER BY position")
    List<Long> kits(@Param("id") long id);

    @Select("SELECT part, amount FROM mix_left WHERE mix_id = #{id}")
    List<LeftRow> left(@Param("id") long id);

    @Select(
            """
            SELECT bath, fill_id, volume_ml, parts_for_ml, volume_typed, COALESCE(bottle_id, 0) AS bottle_id
            FROM mix_bath
            WHERE mix_id = #{id}
            ORDER BY fill_id
            """)
    List<BathRow> baths(@Param("id") long id);

    @Select(
            """
            SELECT sequence, act, undone, poured, celsius, member.name AS who, at
            FROM mix_tick
            JOIN member ON member.id = mix_tick.member_id
            WHERE mix_id = #{id}
            ORDER BY sequence
            """)
    List<BenchWalk.Tick> ticks(@Param("id") long id);
}

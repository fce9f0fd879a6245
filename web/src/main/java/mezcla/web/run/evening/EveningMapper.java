package mezcla.web.run.evening;

import java.time.Instant;
import java.util.List;
import mezcla.web.access.names.Whose;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Loads that members plan for an evening. */
@Mapper
interface EveningMapper {
    /** A load that is still to come; its body is a {@link PlannedLoad}. */
    record LoadRow(long id, String who, long batchId, String body, Instant plannedAt) {
        /** Who planned it, and whose film it is. */
        List<String> whose() {
            return Whose.of(who, PlannedLoad.read(body).rolls());
        }
    }

    @Insert(
            """
            INSERT INTO evening_load (member_id, batch_id, body, planned_at)
            VALUES (#{memberId}, #{batchId}, #{body}, #{plannedAt})
            """)
    void add(long memberId, long batchId, String body, Instant plannedAt);

    @Select(
            """
            SELECT evening_load.id, member.name AS who, batch_id, body, planned_at
            FROM evening_load JOIN member ON member.id = member_id
            WHERE planned_at >= #{since} AND evening_load.id NOT IN (SELECT load_id FROM evening_load_over)
            ORDER BY evening_load.id
            """)
    List<LoadRow> loads(@Param("since") Instant since);

    @Select("SELECT count(*) > 0 FROM evening_load_over WHERE load_id = #{load} AND started IS NOT NULL")
    boolean begun(long load);

    @Insert(
            """
            INSERT INTO evening_load_over (load_id, started, at) VALUES (#{loadId}, #{started}, #{at})
            ON CONFLICT (load_id) DO NOTHING
            """)
    void over(long loadId, @Nullable Long started, Instant at);
}

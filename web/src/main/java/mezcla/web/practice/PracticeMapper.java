package mezcla.web.practice;

import java.time.Instant;
import java.util.List;
import mezcla.processing.Movement;
import mezcla.processing.SimulatedBath;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** What was practised, and what was signed off. Rows are only ever added. */
@Mapper
interface PracticeMapper {
    /** A practice, as it is about to be kept. */
    final class Row {
        long id;
        final long memberId;
        final long leafletId;
        final Movement movement;
        final int speed;
        final SimulatedBath.Fault fault;
        final String events;
        final Instant at;

        Row(
                long memberId,
                long leafletId,
                Movement movement,
                int speed,
                SimulatedBath.Fault fault,
                String events,
                Instant at) {
            this.memberId = memberId;
            this.leafletId = leafletId;
            this.movement = movement;
            this.speed = speed;
            this.fault = fault;
            this.events = events;
            this.at = at;
        }
    }

    @Insert(
            """
            INSERT INTO practice (member_id, leaflet_id, movement, speed, fault, events, at)
            VALUES (#{memberId}, #{leafletId}, #{movement}, #{speed}, #{fault}, #{events}, #{at})
            """)
    @Options(useGeneratedKeys = true, keyProperty = "id")
    void add(Row row);

    /** A practice as it was kept. */
    record Kept(
            long id,
            long memberId,
            long leafletId,
            Movement movement,
            int speed,
            SimulatedBath.Fault fault,
            String events,
            Instant at) {}

    @Select(
            """
            SELECT id, member_id, leaflet_id, movement, speed, fault, events, at FROM practice WHERE id = #{id}
            """)
    @Nullable
    Kept practice(@Param("id") long id);

    @Select(
            """
            SELECT id, member_id, leaflet_id, movement, speed, fault, events, at FROM practice ORDER BY id DESC LIMIT 200
            """)
    List<Kept> practices();

    /** What can be signed off. */
    enum Kind {
        /** A practice. */
        PRACTICE,
        /** The first run under a steward's eyes. */
        FIRST_RUN
    }

    /** What was signed off. */
    record SignedOff(
            long memberId, Kind kind, @Nullable Long practiceId, @Nullable Long run, long stewardId, Instant at) {}

    @Insert(
            """
            INSERT INTO sign_off (member_id, kind, practice_id, run, steward_id, at)
            VALUES (#{memberId}, #{kind}, #{practiceId}, #{run}, #{stewardId}, #{at})
            """)
    void sign(SignedOff row);

    @Select("SELECT member_id, kind, practice_id, run, steward_id, at FROM sign_off ORDER BY id")
    List<SignedOff> signedOff();
}

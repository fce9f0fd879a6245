package mezcla.web.ribbon;

import java.time.Instant;
import java.util.List;
import mezcla.processing.Movement;
import mezcla.processing.RunProgress;
import mezcla.processing.RunSteps;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** How a run that was started is done, and what was confirmed while it was. Rows are only ever added. */
@Mapper
interface RibbonMapper {
    /** How a run is done. */
    record WayRow(
            long started,
            boolean preSoak,
            boolean rinse,
            boolean straight,
            boolean finalRinse,
            boolean roomRinse,
            boolean wettingAgent,
            Movement movement,
            @Nullable Long probeId) {
        static WayRow of(long started, RunSteps.Choices choices, @Nullable Long probeId) {
            return new WayRow(
                    started,
                    choices.preSoak(),
                    choices.between() == RunSteps.Between.RINSE,
                    choices.between() == RunSteps.Between.STRAIGHT,
                    choices.finalRinse() != RunSteps.FinalRinse.NONE,
                    choices.finalRinse() == RunSteps.FinalRinse.ROOM,
                    choices.wettingAgent(),
                    choices.movement(),
                    probeId);
        }

        RunSteps.Choices choices() {
            return new RunSteps.Choices(
                    preSoak,
                    rinse ? RunSteps.Between.RINSE : straight ? RunSteps.Between.STRAIGHT : RunSteps.Between.LEAFLET,
                    finalRinse
                            ? roomRinse ? RunSteps.FinalRinse.ROOM : RunSteps.FinalRinse.WARM
                            : RunSteps.FinalRinse.NONE,
                    wettingAgent,
                    movement);
        }
    }

    /** Something that was confirmed. */
    record EventRow(long started, int number, Instant at, RunProgress.Kind kind, int step, double value) {}

    @Insert(
            """
            INSERT INTO run_way (started, pre_soak, rinse, straight, final_rinse, room_rinse, wetting_agent, movement,
                probe_id)
            VALUES (#{started}, #{preSoak}, #{rinse}, #{straight}, #{finalRinse}, #{roomRinse}, #{wettingAgent},
                #{movement}, #{probeId})
            """)
    void addWay(WayRow row);

    @Select(
            """
            SELECT started, pre_soak, rinse, straight, final_rinse, room_rinse, wetting_agent, movement, probe_id
            FROM run_way WHERE started = #{started}
            """)
    @Nullable
    WayRow way(@Param("started") long started);

    @Insert(
            """
            INSERT INTO run_event (started, number, at, kind, step, value)
            VALUES (#{started}, #{number}, #{at}, #{kind}, #{step}, #{value})
            ON CONFLICT (started, number) DO NOTHING
            """)
    int add(EventRow row);

    @Select(
            """
            SELECT started, number, at, kind, step, value FROM run_event
            WHERE started = #{started} ORDER BY number
            """)
    List<EventRow> events(@Param("started") long started);
}

package mezcla.web.ribbon;

import java.time.Instant;
import java.util.List;
import mezcla.processing.RunProgress;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** How a run that was started is done, and what was confirmed while it was. Rows are only ever added. */
@Mapper
interface RibbonMapper {
    /** How a run is done: its choices as JSON. */
    record WayRow(long started, String choices, @Nullable Long probeId) {}

    /** Something that was confirmed. */
    record EventRow(long started, int number, Instant at, RunProgress.Kind kind, int step, double value) {}

    @Insert("INSERT INTO run_way (started, choices, probe_id) VALUES (#{started}, #{choices}, #{probeId})")
    void addWay(WayRow row);

    @Select("SELECT started, choices, probe_id FROM run_way WHERE started = #{started}")
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

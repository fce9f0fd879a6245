package mezcla.web.ribbon.usual;

import java.time.Instant;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** How a run was done, and how the house does runs, as JSON. Rows are only ever added. */
@Mapper
interface UsualWayMapper {
    @Select("SELECT choices FROM run_way WHERE started = #{started}")
    @Nullable
    String ofRun(@Param("started") long started);

    /** The latest of some runs of which it is known how they were done; null for none. The runs are a list in JSON. */
    @Select(
            """
            SELECT MAX(value) FROM json_each(#{runs})
            WHERE value IN (SELECT run FROM run_chosen) OR value IN (SELECT started FROM run_way)
            """)
    @Nullable
    Long lastKnown(@Param("runs") String runs);

    /** How a run was done, and in which tank; null for one of which nobody knows. */
    record ChosenRow(String choices, @Nullable Long tankId) {}

    @Select("SELECT choices, tank_id FROM run_chosen WHERE run = #{run}")
    @Nullable
    ChosenRow chosen(@Param("run") long run);

    @Insert("INSERT INTO run_chosen (run, choices, tank_id) VALUES (#{run}, #{choices}, #{tankId})")
    void choose(@Param("run") long run, @Param("choices") String choices, @Param("tankId") @Nullable Long tankId);

    @Insert(
            """
            INSERT INTO house_way (process, choices, set_by, set_at) VALUES (#{process}, #{choices}, #{by}, #{at})
            """)
    void addHouseWay(
            @Param("process") String process,
            @Param("choices") String choices,
            @Param("by") long by,
            @Param("at") Instant at);

    @Select("SELECT choices FROM house_way WHERE process = #{process} ORDER BY id DESC LIMIT 1")
    @Nullable
    String houseWay(@Param("process") String process);
}

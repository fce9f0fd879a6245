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

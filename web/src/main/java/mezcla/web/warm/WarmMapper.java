package mezcla.web.warm;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** How bottles were found to warm in the house's water bath. The last figure holds. */
@Mapper
interface WarmMapper {
    /** How a bottle was found to warm. */
    record BottleRow(long bottleId, double wPerK) {}

    @Select("SELECT bottle_id, w_per_k FROM bottle_warmth ORDER BY id")
    List<BottleRow> bottles();

    @Insert(
            """
            INSERT INTO bottle_warmth (bottle_id, w_per_k, member_id, at)
            VALUES (#{row.bottleId}, #{row.wPerK}, #{memberId}, #{at})
            """)
    void addBottle(BottleRow row, long memberId, Instant at);
}

package mezcla.web.warm;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** The house's water bath, and how bottles were found to warm in it. The last figure holds. */
@Mapper
interface WarmMapper {
    /** A water bath. */
    record TubRow(double litres, double powerW, double lossWPerK) {}

    /** How a bottle was found to warm. */
    record BottleRow(long bottleId, double wPerK) {}

    @Select("SELECT litres, power_w, loss_w_per_k FROM house_tub ORDER BY id DESC LIMIT 1")
    @Nullable
    TubRow tub();

    @Insert(
            """
            INSERT INTO house_tub (litres, power_w, loss_w_per_k, member_id, at)
            VALUES (#{row.litres}, #{row.powerW}, #{row.lossWPerK}, #{memberId}, #{at})
            """)
    void addTub(TubRow row, long memberId, Instant at);

    @Select("SELECT bottle_id, w_per_k FROM bottle_warmth ORDER BY id")
    List<BottleRow> bottles();

    @Insert(
            """
            INSERT INTO bottle_warmth (bottle_id, w_per_k, member_id, at)
            VALUES (#{row.bottleId}, #{row.wPerK}, #{memberId}, #{at})
            """)
    void addBottle(BottleRow row, long memberId, Instant at);
}

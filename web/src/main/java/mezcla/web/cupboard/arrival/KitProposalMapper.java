package mezcla.web.cupboard.arrival;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Kits that members say came. */
@Mapper
interface KitProposalMapper {
    /** A proposal as it is stored. */
    record Row(long id, String typed, String who) {}

    @Select(
            """
            SELECT kit_proposal.id, typed, member.name AS who
            FROM kit_proposal JOIN member ON member.id = member_id
            WHERE NOT answered ORDER BY kit_proposal.id
            """)
    List<Row> open();

    @Insert("INSERT INTO kit_proposal (typed, member_id, at) VALUES (#{typed}, #{memberId}, #{at})")
    void add(String typed, long memberId, Instant at);

    @Update("UPDATE kit_proposal SET answered = 1, became = #{became} WHERE id = #{id} AND NOT answered")
    int answer(@Param("id") long id, @Param("became") String became);

    @Select("SELECT became FROM kit_proposal WHERE id = #{id}")
    @Nullable
    String became(@Param("id") long id);
}

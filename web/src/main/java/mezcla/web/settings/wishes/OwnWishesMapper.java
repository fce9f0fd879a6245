package mezcla.web.settings.wishes;

import java.util.Set;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Reads and writes what members want for themselves. */
@Mapper
interface OwnWishesMapper {
    @Select("SELECT name FROM member WHERE careful = 1 AND left_at IS NULL")
    Set<String> careful();

    @Select("SELECT careful FROM member WHERE id = #{id}")
    boolean isCareful(long id);

    @Update("UPDATE member SET careful = #{careful} WHERE id = #{id}")
    void setCareful(long id, boolean careful);
}

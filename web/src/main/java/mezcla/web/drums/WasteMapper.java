package mezcla.web.drums;

import java.util.List;
import mezcla.batch.Drum;
import mezcla.leaflet.WasteRoute;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The house's waste drums. One that was removed stays, for the log. */
@Mapper
interface WasteMapper {
    @Select("SELECT id, name, kind, capacity_ml FROM drum WHERE removed = #{removed} ORDER BY kind, name")
    List<Drum> drums(@Param("removed") boolean removed);

    @Insert("INSERT INTO drum (name, kind, capacity_ml) VALUES (#{name}, #{kind}, #{capacityMl})")
    void add(String name, WasteRoute kind, double capacityMl);

    @Update("UPDATE drum SET removed = 1 WHERE id = #{id}")
    int remove(@Param("id") long id);
}

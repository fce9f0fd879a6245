package mezcla.web.house.things;

import mezcla.log.Bottle;
import mezcla.web.house.Tool;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Update;

/** Corrections of what stands on the house's lists. */
@Mapper
interface ThingMapper {
    @Update("UPDATE tank SET name = #{name}, volume_ml = #{volumeMl} WHERE id = #{id}")
    void changeTank(long id, String name, double volumeMl);

    @Update("UPDATE bottle SET label = #{label}, capacity_ml = #{capacityMl}, material = #{material} WHERE id = #{id}")
    void changeBottle(long id, String label, double capacityMl, Bottle.Material material);

    @Update("UPDATE place SET name = #{name} WHERE id = #{id}")
    void changePlace(long id, String name);

    @Update(
            """
            UPDATE tool SET name = #{name}, kind = #{kind}, capacity = #{capacity}, graduation = #{graduation}
            WHERE id = #{id}
            """)
    void changeTool(long id, String name, Tool.Kind kind, double capacity, double graduation);

    @Update("UPDATE jug SET name = #{name}, capacity_ml = #{capacityMl} WHERE id = #{id}")
    void changeJug(long id, String name, double capacityMl);

    @Update("UPDATE heater SET name = #{name} WHERE id = #{id}")
    void changeHeater(long id, String name);
}

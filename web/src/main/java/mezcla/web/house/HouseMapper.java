package mezcla.web.house;

import java.util.List;
import mezcla.batch.Bottle;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** The house and what it owns. */
@Mapper
interface HouseMapper {
    /** The house as it is stored. */
    record Row(String name, String currency, String timeZone) {}

    @Select("SELECT name, currency, time_zone FROM house")
    @Nullable
    Row house();

    @Insert("INSERT INTO house (id, name, currency, time_zone) VALUES (1, #{name}, #{currency}, #{timeZone})")
    void addHouse(String name, String currency, String timeZone);

    @Select("SELECT id, name, volume_ml FROM tank ORDER BY volume_ml, name")
    List<Tank> tanks();

    @Insert("INSERT INTO tank (name, volume_ml) VALUES (#{name}, #{volumeMl})")
    void addTank(String name, double volumeMl);

    @Select("SELECT id, label, capacity_ml, material FROM bottle ORDER BY capacity_ml, label")
    List<Bottle> bottles();

    @Insert("INSERT INTO bottle (label, capacity_ml, material) VALUES (#{label}, #{capacityMl}, #{material})")
    void addBottle(String label, double capacityMl, Bottle.Material material);
}

package mezcla.web.settings;

import java.time.Instant;
import java.util.List;
import mezcla.batch.Light;
import mezcla.leaflet.BathRole;
import mezcla.log.Bottle;
import mezcla.log.Place;
import mezcla.measure.FilmFormat;
import mezcla.verdict.School;
import mezcla.web.settings.things.Heater;
import mezcla.web.settings.things.Jug;
import mezcla.web.settings.things.RunHabits;
import mezcla.web.settings.things.Surroundings;
import mezcla.web.settings.things.Tool;
import mezcla.web.settings.things.WaterBath;
import mezcla.web.words.Units;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** The house and what it owns. What was removed stays, for the log. */
@Mapper
interface HouseMapper {
    /** The house as it is stored. */
    record Row(String name, String currency, String timeZone, Units units, @Nullable String address) {}

    @Select("SELECT name, currency, time_zone, units, address FROM house")
    @Nullable
    Row house();

    @Insert(
            """
            INSERT INTO house (id, name, currency, time_zone, units, address)
            VALUES (1, #{name}, #{currency}, #{timeZone}, #{units}, #{address})
            """)
    void addHouse(Row row);

    @Update(
            """
            UPDATE house
            SET name = #{name}, currency = #{currency}, time_zone = #{timeZone}, units = #{units}, address = #{address}
            """)
    void changeHouse(Row row);

    /** A tank without its reels. */
    record TankRow(long id, String name, double volumeMl, @Nullable Double rotaryMl, @Nullable Double leastMl) {}

    /** How many reels of a kind fill a tank. */
    record ReelRow(long tankId, FilmFormat.Reel reel, int holds) {}

    @Select(
            "SELECT id, name, volume_ml, rotary_ml, least_ml FROM tank WHERE removed = #{removed} ORDER BY volume_ml, name")
    List<TankRow> tanks(boolean removed);

    @Select("SELECT tank_id, reel, holds FROM tank_reel ORDER BY tank_id, reel")
    List<ReelRow> reels();

    @Insert("INSERT INTO tank (name, volume_ml) VALUES (#{name}, #{volumeMl})")
    void addTank(String name, double volumeMl);

    @Select("SELECT id FROM tank WHERE name = #{name}")
    long tankNamed(@Param("name") String name);

    @Update(
            """
            UPDATE tank SET name = #{name}, volume_ml = #{volumeMl}, rotary_ml = #{rotaryMl}, least_ml = #{leastMl}
            WHERE id = #{id}
            """)
    void changeTank(long id, String name, double volumeMl, @Nullable Double rotaryMl, @Nullable Double leastMl);

    @Delete("DELETE FROM tank_reel WHERE tank_id = #{tankId}")
    void forgetReels(@Param("tankId") long tankId);

    @Insert("INSERT INTO tank_reel (tank_id, reel, holds) VALUES (#{tankId}, #{reel}, #{holds})")
    void addReel(ReelRow row);

    @Select("SELECT scans_bottles, advises_drift FROM house")
    @Nullable
    RunHabits habits();

    @Update("UPDATE house SET scans_bottles = #{scansBottles}, advises_drift = #{advisesDrift}")
    void changeHabits(RunHabits habits);

    @Select(
            """
            SELECT id, label, capacity_ml, material
            FROM bottle
            WHERE removed = #{removed}
            ORDER BY capacity_ml, length(label), label
            """)
    List<Bottle> bottles(boolean removed);

    @Insert("INSERT INTO bottle (label, capacity_ml, material) VALUES (#{label}, #{capacityMl}, #{material})")
    void addBottle(String label, double capacityMl, Bottle.Material material);

    @Select("SELECT id, name FROM place WHERE removed = #{removed} ORDER BY name")
    List<Place> places(boolean removed);

    @Insert("INSERT INTO place (name) VALUES (#{name})")
    void addPlace(@Param("name") String name);

    @Select(
            "SELECT id, name, kind, capacity, graduation FROM tool WHERE removed = #{removed} ORDER BY kind, capacity, name")
    List<Tool> tools(boolean removed);

    @Insert(
            """
            INSERT INTO tool (name, kind, capacity, graduation)
            VALUES (#{name}, #{kind}, #{capacity}, #{graduation})
            """)
    void addTool(String name, Tool.Kind kind, double capacity, double graduation);

    @Select("SELECT id, name, offset_c FROM heater WHERE removed = #{removed} ORDER BY name")
    List<Heater> heaters(boolean removed);

    @Insert("INSERT INTO heater (name, offset_c) VALUES (#{name}, #{offsetC})")
    void addHeater(String name, double offsetC);

    @Update("UPDATE heater SET name = #{name}, offset_c = #{offsetC} WHERE id = #{id}")
    void changeHeater(long id, String name, double offsetC);

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

    @Select("SELECT id, name, capacity_ml FROM jug WHERE removed = #{removed} ORDER BY capacity_ml, name")
    List<Jug> jugs(boolean removed);

    @Insert("INSERT INTO jug (name, capacity_ml) VALUES (#{name}, #{capacityMl})")
    void addJug(String name, double capacityMl);

    @Update("UPDATE jug SET removed = #{removed} WHERE id = #{id}")
    void removeJug(long id, boolean removed);

    @Select("SELECT cold_water_c, hot_water_c, room_c, delivery_weeks, dry_minutes, evening_ends FROM house")
    @Nullable
    Surroundings surroundings();

    @Update(
            """
            UPDATE house
            SET cold_water_c = #{coldWaterC}, hot_water_c = #{hotWaterC}, room_c = #{roomC},
                delivery_weeks = #{deliveryWeeks}, dry_minutes = #{dryMinutes}, evening_ends = #{eveningEnds}, water_said = 1
            """)
    void changeSurroundings(Surroundings surroundings);

    /** A decision about a process. */
    record SchoolRow(String process, School school, Instant at) {}

    @Select("SELECT process, school, at FROM school_chosen ORDER BY id")
    List<SchoolRow> schools();

    @Insert(
            "INSERT INTO school_chosen (process, school, member_id, at) VALUES (#{process}, #{school}, #{memberId}, #{at})")
    void choose(String process, School school, long memberId, Instant at);

    /** What the house allows of a bath. */
    record LimitRow(
            String leaflet,
            String bath,
            @Nullable Double rolls,
            @Nullable Double days,
            String reason,
            long memberId,
            Instant at) {}

    @Select("SELECT leaflet, bath, rolls, days, reason, member_id, at FROM house_limit ORDER BY id")
    List<LimitRow> limits();

    @Insert(
            """
            INSERT INTO house_limit (leaflet, bath, rolls, days, reason, member_id, at)
            VALUES (#{leaflet}, #{bath}, #{rolls}, #{days}, #{reason}, #{memberId}, #{at})
            """)
    void allow(LimitRow row);

    /** What stands in for what a sheet leaves out. */
    record StandInRow(BathRole.Nature role, @Nullable Double lifeDays, @Nullable Double rollsALitre, Instant at) {}

    @Select("SELECT role, life_days, rolls_a_litre, at FROM stand_in ORDER BY id")
    List<StandInRow> standIns();

    @Insert(
            """
            INSERT INTO stand_in (role, life_days, rolls_a_litre, member_id, at)
            VALUES (#{row.role}, #{row.lifeDays}, #{row.rollsALitre}, #{memberId}, #{row.at})
            """)
    void standIn(@Param("row") StandInRow row, @Param("memberId") long memberId);

    /** What a place is like. */
    record ClimateRow(long placeId, double decFebC, double marMayC, double junAugC, double sepNovC, Light light) {}

    @Select("SELECT place_id, dec_feb_c, mar_may_c, jun_aug_c, sep_nov_c, light FROM place_climate")
    List<ClimateRow> climates();

    @Insert(
            """
            INSERT INTO place_climate (place_id, dec_feb_c, mar_may_c, jun_aug_c, sep_nov_c, light)
            VALUES (#{placeId}, #{decFebC}, #{marMayC}, #{junAugC}, #{sepNovC}, #{light})
            ON CONFLICT (place_id) DO UPDATE
            SET dec_feb_c = excluded.dec_feb_c, mar_may_c = excluded.mar_may_c, jun_aug_c = excluded.jun_aug_c,
                sep_nov_c = excluded.sep_nov_c, light = excluded.light
            """)
    void setClimate(ClimateRow row);

    /** A temperature that was read. */
    record ReadingRow(long placeId, Instant at, double celsius) {}

    @Select("SELECT coalesce(max(rowid), 0) FROM place_reading")
    long lastReading();

    /** How many files of readings were taken back. */
    @Select("SELECT count(*) FROM place_reading_taken_back")
    long readingsTakenBack();

    @Select(
            """
            SELECT place_id, at, celsius FROM place_reading
            WHERE rowid > #{after} AND read_in NOT IN (SELECT read_in FROM place_reading_taken_back)
            """)
    List<ReadingRow> readings(@Param("after") long after);

    @Select(
            """
            SELECT count(*) FROM place_reading
            WHERE place_id = #{placeId} AND read_in NOT IN (SELECT read_in FROM place_reading_taken_back)
            """)
    long countReadings(@Param("placeId") long placeId);

    @Select("SELECT coalesce(max(read_in), 0) + 1 FROM place_reading")
    long nextReadIn();

    @Insert(
            """
            INSERT INTO place_reading (place_id, at, celsius, read_in)
            SELECT #{row.placeId}, #{row.at}, #{row.celsius}, #{readIn}
            WHERE NOT EXISTS (
                SELECT 1 FROM place_reading
                WHERE place_id = #{row.placeId} AND at = #{row.at}
                AND read_in NOT IN (SELECT read_in FROM place_reading_taken_back)
            )
            """)
    int addReading(ReadingRow row, long readIn);

    /** The file of a place's readings that was read in last and still counts. */
    @Select(
            """
            SELECT max(read_in) FROM place_reading
            WHERE place_id = #{placeId} AND read_in NOT IN (SELECT read_in FROM place_reading_taken_back)
            """)
    @Nullable
    Long lastReadIn(@Param("placeId") long placeId);

    @Insert("INSERT INTO place_reading_taken_back (read_in, at) VALUES (#{readIn}, #{at})")
    void takeBack(long readIn, Instant at);

    /** What was said last of the water bath. */
    @Select("SELECT litres, power_w, loss_w_per_k FROM house_tub ORDER BY id DESC LIMIT 1")
    @Nullable
    WaterBath tub();

    @Insert(
            """
            INSERT INTO house_tub (litres, power_w, loss_w_per_k, member_id, at)
            VALUES (#{bath.litres}, #{bath.powerW}, #{bath.lossWPerK}, #{memberId}, #{at})
            """)
    void addTub(@Param("bath") WaterBath bath, @Param("memberId") long memberId, @Param("at") Instant at);

    @Select("SELECT coalesce(max(water_said), 0) FROM house")
    boolean waterSaid();

    @Update("UPDATE tank SET removed = #{removed} WHERE id = #{id}")
    void removeTank(long id, boolean removed);

    @Update("UPDATE bottle SET removed = #{removed} WHERE id = #{id}")
    void removeBottle(long id, boolean removed);

    @Update("UPDATE place SET removed = #{removed} WHERE id = #{id}")
    void removePlace(long id, boolean removed);

    @Update("UPDATE tool SET removed = #{removed} WHERE id = #{id}")
    void removeTool(long id, boolean removed);

    @Update("UPDATE heater SET removed = #{removed} WHERE id = #{id}")
    void removeHeater(long id, boolean removed);
}

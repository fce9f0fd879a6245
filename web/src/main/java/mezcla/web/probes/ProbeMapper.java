package mezcla.web.probes;

import java.time.Instant;
import java.util.List;
import mezcla.processing.SimulatedBath;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Probes, what they showed, and the baths that stand in for one. */
@Mapper
interface ProbeMapper {
    /** A probe as it is kept; {@code tokenHash} is null for a stand-in. */
    final class Row {
        long id;
        String name;

        @Nullable
        String tokenHash;

        long memberId;
        Instant at;

        Row(String name, @Nullable String tokenHash, long memberId, Instant at) {
            this.name = name;
            this.tokenHash = tokenHash;
            this.memberId = memberId;
            this.at = at;
        }
    }

    @Insert(
            """
            INSERT INTO probe (name, token_hash, member_id, at)
            VALUES (#{name}, #{tokenHash}, #{memberId}, #{at})
            """)
    @Options(useGeneratedKeys = true, keyProperty = "id")
    void add(Row row);

    @Select(
            """
            SELECT probe.id, name, simulated_probe.probe_id IS NOT NULL AS simulated
            FROM probe LEFT JOIN simulated_probe ON simulated_probe.probe_id = probe.id
            WHERE removed = 0 AND simulated_probe.probe_id IS NULL ORDER BY name, probe.id
            """)
    List<Probe> probes();

    @Select(
            """
            SELECT probe.id, name, simulated_probe.probe_id IS NOT NULL AS simulated
            FROM probe LEFT JOIN simulated_probe ON simulated_probe.probe_id = probe.id
            WHERE probe.id = #{id} AND removed = 0
            """)
    @Nullable
    Probe probe(@Param("id") long id);

    @Select("SELECT token_hash FROM probe WHERE id = #{id} AND removed = 0")
    @Nullable
    String tokenHash(@Param("id") long id);

    @Update("UPDATE probe SET removed = 1 WHERE id = #{id}")
    void remove(@Param("id") long id);

    @Insert("INSERT INTO probe_reading (probe_id, at, celsius) VALUES (#{probeId}, #{reading.at}, #{reading.celsius})")
    void addReading(long probeId, Probe.Reading reading);

    @Select(
            """
            SELECT at, celsius FROM probe_reading
            WHERE probe_id = #{probeId} AND at >= #{from} AND at <= #{to}
            ORDER BY at, id
            """)
    List<Probe.Reading> readings(long probeId, Instant from, Instant to);

    @Select("SELECT at, celsius FROM probe_reading WHERE probe_id = #{probeId} ORDER BY at DESC, id DESC LIMIT 1")
    Probe.@Nullable Reading last(@Param("probeId") long probeId);

    /** A bath that is not there. */
    record SimulatedRow(
            long probeId,
            long batchId,
            Instant began,
            double litres,
            double powerW,
            double lossWPerK,
            double roomC,
            double startC,
            double setC,
            SimulatedBath.Fault fault,
            double faultAtS) {}

    @Insert(
            """
            INSERT INTO simulated_probe (probe_id, batch_id, began, litres, power_w, loss_w_per_k, room_c, start_c, set_c,
                fault, fault_at_s)
            VALUES (#{probeId}, #{batchId}, #{began}, #{litres}, #{powerW}, #{lossWPerK}, #{roomC}, #{startC}, #{setC},
                #{fault}, #{faultAtS})
            """)
    void simulate(SimulatedRow row);

    @Select(
            """
            SELECT probe_id, batch_id, began, litres, power_w, loss_w_per_k, room_c, start_c, set_c, fault, fault_at_s
            FROM simulated_probe WHERE probe_id = #{probeId}
            """)
    @Nullable
    SimulatedRow simulated(@Param("probeId") long probeId);

    @Select(
            "SELECT probe_id FROM simulated_probe WHERE batch_id = #{batchId} AND began >= #{since} ORDER BY began DESC")
    List<Long> simulatedFor(long batchId, Instant since);

    /** A bottle in it. */
    record BottleRow(long probeId, double litres, double wPerK, double startC) {}

    @Insert(
            """
            INSERT INTO simulated_bottle (probe_id, litres, w_per_k, start_c)
            VALUES (#{probeId}, #{litres}, #{wPerK}, #{startC})
            """)
    void addBottle(BottleRow row);

    @Select("SELECT probe_id, litres, w_per_k, start_c FROM simulated_bottle WHERE probe_id = #{probeId} ORDER BY id")
    List<BottleRow> bottles(@Param("probeId") long probeId);
}

package mezcla.web.sheets;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Leaflets, as documents. */
@Mapper
interface LeafletMapper {
    /** A leaflet as it is stored. */
    record Row(long id, String document, boolean withdrawn) {}

    @Select(
            """
            SELECT id, document,
                COALESCE((SELECT withdrawn FROM leaflet_offered WHERE leaflet_version_id = leaflet_version.id
                    ORDER BY leaflet_offered.id DESC LIMIT 1), 0) AS withdrawn
            FROM leaflet_version ORDER BY id
            """)
    List<Row> all();

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(
            value =
                    """
            INSERT INTO leaflet_version (key, version, document, typed, member_id)
            VALUES (#{key}, #{version}, #{document}, #{typed}, #{memberId})
            RETURNING id
            """,
            affectData = true)
    long add(String key, int version, String document, @Nullable String typed, @Nullable Long memberId);

    @Select("SELECT typed FROM leaflet_version WHERE id = #{id}")
    @Nullable
    String typed(@Param("id") long id);

    @Insert(
            """
            INSERT INTO leaflet_offered (leaflet_version_id, withdrawn, member_id, at)
            VALUES (#{id}, #{withdrawn}, #{memberId}, #{at})
            """)
    void offer(long id, boolean withdrawn, long memberId, Instant at);

    @Select("SELECT member_id FROM leaflet_version WHERE id = #{id}")
    @Nullable
    Long typedBy(@Param("id") long id);

    /** Figures that somebody typed again. */
    record RetypedRow(String who, Instant at, String differences) {}

    @Select(
            """
            SELECT member.name AS who, leaflet_retyped.at, leaflet_retyped.differences
            FROM leaflet_retyped
            JOIN member ON member.id = leaflet_retyped.member_id
            WHERE leaflet_version_id = #{id}
            ORDER BY leaflet_retyped.id
            """)
    List<RetypedRow> retyped(@Param("id") long id);

    @Insert(
            """
            INSERT INTO leaflet_retyped (leaflet_version_id, member_id, at, differences)
            VALUES (#{id}, #{memberId}, #{at}, #{differences})
            """)
    void addRetyped(long id, long memberId, Instant at, String differences);
}

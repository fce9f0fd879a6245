package mezcla.web.leaflet.draft;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Sheets that are being typed. */
@Mapper
interface SheetDraftMapper {
    /** A draft as it is stored. */
    record Row(
            long id,
            String typed,
            @Nullable Long fromId,
            long begunById,
            String begunBy,
            String changedBy,
            Instant changedAt,
            boolean proposed,
            @Nullable Long becameId,
            boolean thrownAway) {}

    String COLUMNS =
            """
            SELECT sheet_draft.id, typed, from_id, begun_by AS begun_by_id, beginner.name AS begun_by,
                changer.name AS changed_by, changed_at, proposed, became_id, thrown_away
            FROM sheet_draft
            JOIN member AS beginner ON beginner.id = sheet_draft.begun_by
            JOIN member AS changer ON changer.id = sheet_draft.changed_by
            """;

    @Select(COLUMNS + "WHERE became_id IS NULL AND thrown_away = 0 ORDER BY changed_at DESC")
    List<Row> inHand();

    @Select(COLUMNS + "WHERE sheet_draft.id = #{id}")
    @Nullable
    Row one(@Param("id") long id);

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(
            value =
                    """
            INSERT INTO sheet_draft (typed, from_id, begun_by, changed_by, changed_at)
            VALUES (#{typed}, #{fromId}, #{memberId}, #{memberId}, #{at})
            RETURNING id
            """,
            affectData = true)
    long begin(String typed, @Nullable Long fromId, long memberId, Instant at);

    @Update("UPDATE sheet_draft SET typed = #{typed}, changed_by = #{memberId}, changed_at = #{at} WHERE id = #{id}")
    void type(long id, String typed, long memberId, Instant at);

    @Update("UPDATE sheet_draft SET proposed = 1 WHERE id = #{id}")
    void propose(@Param("id") long id);

    @Update("UPDATE sheet_draft SET thrown_away = 1 WHERE id = #{id}")
    void throwAway(@Param("id") long id);

    @Update("UPDATE sheet_draft SET became_id = #{becameId} WHERE id = #{id}")
    void become(long id, long becameId);
}

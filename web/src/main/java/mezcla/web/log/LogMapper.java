package mezcla.web.log;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** The rows of the log, as they are kept. They are only ever added. */
@Mapper
interface LogMapper {
    /** A row to add. */
    record NewRow(
            long sequence,
            String kind,
            Instant happenedAt,
            Instant recordedAt,
            boolean about,
            long memberId,
            long nameId,
            @Nullable String device,
            String body) {}

    /** A row as it is kept. */
    record Row(
            long sequence,
            String kind,
            Instant happenedAt,
            Instant recordedAt,
            boolean about,
            long memberId,
            long nameId,
            @Nullable String device,
            String body) {}

    /** The last row. */
    record Last(long sequence, Instant recordedAt) {}

    @Select("SELECT sequence, recorded_at FROM log_entry ORDER BY sequence DESC LIMIT 1")
    @Nullable
    Last last();

    @Select(
            """
            SELECT sequence, kind, happened_at, recorded_at, about, member_id, name_id, device, body
            FROM log_entry
            WHERE sequence > #{after}
            ORDER BY sequence
            """)
    List<Row> after(long after);

    @Insert(
            """
            INSERT INTO log_entry (sequence, kind, happened_at, recorded_at, about, member_id, name_id, device, body)
            VALUES (#{sequence}, #{kind}, #{happenedAt}, #{recordedAt}, #{about}, #{memberId}, #{nameId}, #{device},
                #{body})
            """)
    void add(NewRow row);

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(value = "INSERT INTO kit DEFAULT VALUES RETURNING id", affectData = true)
    long newKit();

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(value = "INSERT INTO batch DEFAULT VALUES RETURNING id", affectData = true)
    long newBatch();

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(value = "INSERT INTO fill DEFAULT VALUES RETURNING id", affectData = true)
    long newFill();

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(value = "INSERT INTO waiting_film DEFAULT VALUES RETURNING id", affectData = true)
    long newFilm();

    @Insert("INSERT OR IGNORE INTO waiting_film (id) VALUES (#{id})")
    void knowFilm(long id);

    @Insert("INSERT OR IGNORE INTO kit (id) VALUES (#{id})")
    void knowKit(long id);

    @Insert("INSERT OR IGNORE INTO batch (id) VALUES (#{id})")
    void knowBatch(long id);

    @Insert("INSERT OR IGNORE INTO fill (id) VALUES (#{id})")
    void knowFill(long id);
}

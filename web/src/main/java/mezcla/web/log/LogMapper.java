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
            @Nullable String device,
            String body) {}

    /** A row as it is kept, with the name of who wrote it. */
    record Row(
            long sequence,
            String kind,
            Instant happenedAt,
            Instant recordedAt,
            boolean about,
            String who,
            long memberId,
            @Nullable String device,
            String body) {}

    /** The last row. */
    record Last(long sequence, Instant recordedAt) {}

    @Select("SELECT sequence, recorded_at FROM log_entry ORDER BY sequence DESC LIMIT 1")
    @Nullable
    Last last();

    @Select(
            """
            SELECT entry.sequence, entry.kind, entry.happened_at, entry.recorded_at, entry.about, member.name AS who,
                entry.member_id, entry.device, entry.body
            FROM log_entry entry
            JOIN member ON member.id = entry.member_id
            WHERE entry.sequence > #{after}
            ORDER BY entry.sequence
            """)
    List<Row> after(long after);

    @Insert(
            """
            INSERT INTO log_entry (sequence, kind, happened_at, recorded_at, about, member_id, device, body)
            VALUES (#{sequence}, #{kind}, #{happenedAt}, #{recordedAt}, #{about}, #{memberId}, #{device}, #{body})
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

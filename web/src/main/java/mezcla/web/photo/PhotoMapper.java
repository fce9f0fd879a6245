package mezcla.web.photo;

import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Which look at film a photo belongs to. */
@Mapper
interface PhotoMapper {
    /** A photo of a look. */
    record Row(long sequence, String file, int width, int height) {}

    @Insert("INSERT INTO look_photo (sequence, file, width, height) VALUES (#{sequence}, #{file}, #{width}, #{height})")
    void add(Row row);

    @Select(
            """
            SELECT photo.sequence, photo.file, photo.width, photo.height
            FROM look_photo photo
            JOIN log_entry look ON look.sequence = photo.sequence
            WHERE json_extract(look.body, '$.batchId') = #{batchId}
            AND NOT EXISTS (
                SELECT 1 FROM log_entry gone
                WHERE gone.kind = 'entry-voided' AND json_extract(gone.body, '$.voided') = photo.sequence
            )
            ORDER BY photo.sequence DESC
            """)
    List<Row> ofBatch(@Param("batchId") long batchId);

    @Select("SELECT count(*) FROM look_photo WHERE file = #{file}")
    int count(@Param("file") String file);
}

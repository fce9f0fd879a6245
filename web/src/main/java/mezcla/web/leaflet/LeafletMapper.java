package mezcla.web.leaflet;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Leaflets, as documents. */
@Mapper
interface LeafletMapper {
    /** A leaflet as it is stored. */
    record Row(long id, String document) {}

    @Select("SELECT id, document FROM leaflet_version ORDER BY id")
    List<Row> all();

    @Select(
            value =
                    """
            INSERT INTO leaflet_version (key, version, document)
            VALUES (#{key}, #{version}, #{document})
            RETURNING id
            """,
            affectData = true)
    long add(String key, int version, String document);
}

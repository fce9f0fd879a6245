package mezcla.web.forms;

import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Keys of forms that led to something. */
@Mapper
interface FormKeyMapper {
    @Select("SELECT led_to FROM form_key WHERE key = #{key}")
    @Nullable
    String ledTo(String key);

    @Insert("INSERT INTO form_key (key, led_to, used_at) VALUES (#{key}, #{ledTo}, #{usedAt})")
    void use(String key, String ledTo, String usedAt);
}

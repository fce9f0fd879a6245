package mezcla.web.forms;

import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Keys of forms that led to something. */
@Mapper
interface FormKeyMapper {
    /** What a key led to, and a hash of what was sent with it. */
    record Used(String ledTo, String content) {}

    @Select("SELECT led_to, content FROM form_key WHERE key = #{key}")
    @Nullable
    Used used(String key);

    @Insert("INSERT INTO form_key (key, led_to, content, used_at) VALUES (#{key}, #{ledTo}, #{content}, #{usedAt})")
    void use(String key, String ledTo, String content, String usedAt);
}

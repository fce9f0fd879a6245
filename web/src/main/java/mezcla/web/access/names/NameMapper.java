package mezcla.web.access.names;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Names of members, those that they have and those that they had. */
@Mapper
interface NameMapper {
    /** Of everybody who ever belonged to the house. */
    @Select(
            """
            SELECT known.id, known.member_id, known.name AS text, member.name AS present
            FROM member_name known JOIN member ON member.id = known.member_id
            ORDER BY known.id
            """)
    List<KnownNames.Name> names();

    @Insert("INSERT INTO member_name (member_id, name) VALUES (#{memberId}, #{name})")
    void addName(long memberId, String name);

    @Update("UPDATE member SET name = #{name} WHERE id = #{id}")
    void setName(long id, String name);

    @Update("UPDATE member SET sign_in_name = #{signInName} WHERE id = #{id}")
    void setSignInName(long id, String signInName);

    /** A member who left, as they are kept. */
    record Former(long id, String name, String signInName, Instant leftAt) {}

    @Select("SELECT id, name, sign_in_name, left_at FROM member WHERE left_at IS NOT NULL ORDER BY left_at DESC")
    List<Former> former();

    /** Another one whenever a name came, or the text of one changed. */
    @Select("SELECT count(*) || '-' || coalesce(sum(changed), 0) FROM member_name")
    String state();

    @Update("UPDATE member_name SET name = #{number}, changed = changed + 1 WHERE member_id = #{memberId}")
    void becomesNumber(long memberId, String number);

    @Update(
            """
            UPDATE access_record SET what = replace(what, #{name}, #{number}) WHERE instr(what, #{name}) > 0
            """)
    void recordsNumber(String name, String number);

    @Update(
            """
            UPDATE evening_load SET body = replace(body, json_quote(#{name}), json_quote(#{number}))
            WHERE instr(body, json_quote(#{name})) > 0
            """)
    void loadsNumber(String name, String number);

    @Update(
            """
            UPDATE kit_proposal SET typed = replace(typed, json_quote(#{name}), json_quote(#{number}))
            WHERE instr(typed, json_quote(#{name})) > 0
            """)
    void proposalsNumber(String name, String number);
}

package mezcla.web.access;

import java.time.Instant;
import java.util.List;
import mezcla.web.words.Units;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Members, as they sign in. */
@Mapper
public interface MemberMapper {
    @Select(
            """
            SELECT id, name, sign_in_name, password_hash, role, units, pin_hash
            FROM member
            WHERE sign_in_name = #{signInName} AND left_at IS NULL
            """)
    @Nullable
    SignedIn named(String signInName);

    @Select(
            """
            SELECT id, name, sign_in_name, password_hash, role, units, pin_hash
            FROM member
            WHERE id = #{id} AND left_at IS NULL
            """)
    @Nullable
    SignedIn byId(long id);

    @Select(
            """
            SELECT id, name, sign_in_name, password_hash, role, units, pin_hash
            FROM member
            WHERE left_at IS NULL
            ORDER BY name
            """)
    List<SignedIn> all();

    @Select("SELECT count(*) FROM member WHERE left_at IS NULL")
    int count();

    @Select("SELECT lower(sign_in_name) FROM member")
    List<String> signInNames();

    @Select("SELECT count(*) FROM member WHERE sign_in_name = #{signInName}")
    int countSignInNames(String signInName);

    @Update("UPDATE member SET role = #{role} WHERE id = #{id} AND left_at IS NULL")
    void setRole(long id, String role);

    @Update("UPDATE member SET left_at = #{at} WHERE id = #{id} AND left_at IS NULL")
    void leave(long id, Instant at);

    @Update("UPDATE member SET password_hash = #{passwordHash} WHERE id = #{id}")
    int setPassword(long id, String passwordHash);

    @Select("SELECT units FROM member WHERE id = #{id}")
    @Nullable
    Units unitsOf(long id);

    @Update("UPDATE member SET units = #{units} WHERE id = #{id}")
    void setUnits(long id, @Nullable Units units);

    @Update("UPDATE member SET pin_hash = #{pinHash} WHERE id = #{id}")
    void setPin(long id, @Nullable String pinHash);

    @Insert(
            """
            INSERT INTO member (sign_in_name, name, password_hash, role)
            VALUES (#{signInName}, #{name}, #{passwordHash}, #{role})
            """)
    void add(String signInName, String name, String passwordHash, String role);
}

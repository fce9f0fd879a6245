package mezcla.web.shell;

import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Members, as they sign in. */
@Mapper
public interface MemberMapper {
    @Select(
            """
            SELECT id, name, sign_in_name, password_hash, role
            FROM member
            WHERE sign_in_name = #{signInName}
            """)
    @Nullable
    SignedIn named(String signInName);

    @Insert(
            """
            INSERT INTO member (sign_in_name, name, password_hash, role)
            VALUES (#{signInName}, #{name}, #{passwordHash}, #{role})
            """)
    void add(String signInName, String name, String passwordHash, String role);
}

package mezcla.web.access;

import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.jspecify.annotations.Nullable;

/** Who is at which shared device. */
@Mapper
interface AtDeviceMapper {
    @Select(
            """
            SELECT member_id
            FROM at_device
            WHERE token_hash = #{tokenHash} AND account_id = #{accountId} AND until > #{now}
            """)
    @Nullable
    Long memberAt(String tokenHash, long accountId, String now);

    @Insert(
            """
            INSERT INTO at_device (token_hash, account_id, member_id, until)
            VALUES (#{tokenHash}, #{accountId}, #{memberId}, #{until})
            """)
    void add(String tokenHash, long accountId, long memberId, String until);

    @Delete("DELETE FROM at_device WHERE until <= #{now}")
    void forgetThoseBefore(String now);
}

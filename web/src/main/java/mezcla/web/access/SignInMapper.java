package mezcla.web.access;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Options;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** Browsers that somebody signed in with, who is at those that are shared, and the record of it. */
@Mapper
interface SignInMapper {
    /** A sign-in as it is kept. */
    record Row(
            long id,
            long memberId,
            String device,
            boolean shared,
            Instant beganAt,
            Instant seenAt,
            @Nullable Instant endedAt) {}

    /** Who is at a shared device. */
    record There(long memberId, boolean withPin, Instant until) {}

    /** A line of the record. */
    record Recorded(long id, Instant at, @Nullable String who, String what) {}

    @Select(
            """
            SELECT id, member_id, device, shared, began_at, seen_at, ended_at
            FROM sign_in WHERE token_hash = #{tokenHash}
            """)
    @Nullable
    Row byToken(String tokenHash);

    @Select(
            """
            SELECT id, member_id, device, shared, began_at, seen_at, ended_at
            FROM sign_in WHERE ended_at IS NULL AND (shared = 1 OR member_id = #{memberId}) ORDER BY id DESC
            """)
    List<Row> notEnded(long memberId);

    @Options(flushCache = Options.FlushCachePolicy.TRUE)
    @Select(
            value =
                    """
            INSERT INTO sign_in (member_id, token_hash, device, address_hash, began_at, seen_at)
            VALUES (#{memberId}, #{tokenHash}, #{device}, #{addressHash}, #{at}, #{at}) RETURNING id
            """,
            affectData = true)
    long begin(long memberId, String tokenHash, String device, String addressHash, Instant at);

    @Select("SELECT count(*) > 0 FROM sign_in WHERE member_id = #{memberId} AND address_hash = #{addressHash}")
    boolean came(long memberId, String addressHash);

    @Update("UPDATE sign_in SET seen_at = #{at} WHERE id = #{id} AND seen_at < #{at}")
    void seen(long id, Instant at);

    @Update("UPDATE sign_in SET ended_at = #{at} WHERE id = #{id} AND ended_at IS NULL")
    int end(long id, Instant at);

    @Update(
            """
            UPDATE sign_in SET ended_at = #{at}
            WHERE member_id = #{memberId} AND id <> #{except} AND shared = 0 AND ended_at IS NULL
            """)
    void endAllOf(long memberId, long except, Instant at);

    @Update("UPDATE sign_in SET shared = 1, device = #{name} WHERE id = #{id}")
    void share(long id, String name);

    @Delete("DELETE FROM at_device WHERE sign_in_id IN (SELECT id FROM sign_in WHERE seen_at < #{before})")
    void forgetThoseAtDevicesBefore(Instant before);

    @Delete("DELETE FROM sign_in WHERE seen_at < #{before}")
    void forgetThoseBefore(Instant before);

    @Select("SELECT member_id, with_pin, until FROM at_device WHERE sign_in_id = #{signInId}")
    @Nullable
    There at(long signInId);

    @Insert(
            """
            INSERT INTO at_device (sign_in_id, member_id, with_pin, until)
            VALUES (#{signInId}, #{memberId}, #{withPin}, #{until})
            ON CONFLICT (sign_in_id) DO UPDATE
            SET member_id = excluded.member_id, with_pin = excluded.with_pin, until = excluded.until
            """)
    void choose(long signInId, long memberId, boolean withPin, Instant until);

    @Delete("DELETE FROM at_device WHERE sign_in_id = #{signInId}")
    void nobodyAt(long signInId);

    @Delete("DELETE FROM at_device WHERE member_id = #{memberId}")
    void nowhere(long memberId);

    @Insert("INSERT INTO access_record (at, member_id, what) VALUES (#{at}, #{memberId}, #{what})")
    void record(Instant at, @Nullable Long memberId, String what);

    @Select(
            """
            SELECT record.id, record.at, member.name AS who, record.what
            FROM access_record record LEFT JOIN member ON member.id = record.member_id
            ORDER BY record.id DESC LIMIT #{most}
            """)
    List<Recorded> recorded(int most);
}

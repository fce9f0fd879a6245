package mezcla.web.outside;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import mezcla.web.access.Devices;
import mezcla.web.access.SignedIn;
import mezcla.web.access.Unguessable;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Addresses that nobody can guess. Each kind has one at most; only a hash of it is kept. */
@Service
public class SecretAddresses {
    private static final int LETTERS = 32;

    private final Rows rows;
    private final Devices devices;
    private final Clock clock;

    SecretAddresses(Rows rows, Devices devices, Clock clock) {
        this.rows = rows;
        this.devices = devices;
        this.clock = clock;
    }

    /** What an address shows. */
    public enum Kind {
        /** The shelf, on a screen in the darkroom. */
        WALL("the wall"),
        /** Days to know, for calendars. */
        CALENDAR("the calendar");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** In words. */
        public String words() {
            return words;
        }
    }

    /** Addresses as they are kept. */
    @Mapper
    interface Rows {
        /** One that holds. */
        record Row(String hash, Instant at) {}

        @Select(
                "SELECT hash, at FROM secret_address WHERE kind = #{kind} AND ended_at IS NULL ORDER BY id DESC LIMIT 1")
        @Nullable
        Row held(Kind kind);

        @Insert("INSERT INTO secret_address (kind, hash, member_id, at) VALUES (#{kind}, #{hash}, #{memberId}, #{at})")
        void add(Kind kind, String hash, long memberId, Instant at);

        @Update("UPDATE secret_address SET ended_at = #{at} WHERE kind = #{kind} AND ended_at IS NULL")
        void end(Kind kind, Instant at);
    }

    /** Since when there is an address of a kind; empty for none. */
    @Transactional(readOnly = true)
    public Optional<Instant> since(Kind kind) {
        return Optional.ofNullable(rows.held(kind)).map(Rows.Row::at);
    }

    /**
     * Makes an address; one that held before holds no longer.
     *
     * @return its secret end, which nobody is told again
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public String make(SignedIn who, Kind kind) {
        String secret = Unguessable.letters(LETTERS);
        rows.end(kind, clock.instant());
        rows.add(kind, Unguessable.hash(secret), who.id(), clock.instant());
        devices.record(who, "made an address for " + kind.words());
        return secret;
    }

    /** Ends the address of a kind. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void end(SignedIn who, Kind kind) {
        rows.end(kind, clock.instant());
        devices.record(who, "ended the address for " + kind.words());
    }

    /** Whether that is the secret end of the address of a kind. */
    @Transactional(readOnly = true)
    public boolean holds(Kind kind, String secret) {
        Rows.Row held = rows.held(kind);
        return held != null
                && MessageDigest.isEqual(
                        held.hash().getBytes(StandardCharsets.UTF_8),
                        Unguessable.hash(secret).getBytes(StandardCharsets.UTF_8));
    }
}

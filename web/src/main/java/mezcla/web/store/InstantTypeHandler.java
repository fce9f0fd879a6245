package mezcla.web.store;

import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;

/** Keeps instants as UTC text of equal length, so that the text sorts as the time does. */
@MappedTypes(Instant.class)
public class InstantTypeHandler extends BaseTypeHandler<Instant> {
    private static final DateTimeFormatter TEXT =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm:ss.SSS'Z'").withZone(ZoneOffset.UTC);

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, Instant instant, @Nullable JdbcType type)
            throws SQLException {
        statement.setString(index, TEXT.format(instant));
    }

    @Override
    public @Nullable Instant getNullableResult(ResultSet rows, String column) throws SQLException {
        return instant(rows.getString(column));
    }

    @Override
    public @Nullable Instant getNullableResult(ResultSet rows, int column) throws SQLException {
        return instant(rows.getString(column));
    }

    @Override
    public @Nullable Instant getNullableResult(CallableStatement statement, int column) throws SQLException {
        return instant(statement.getString(column));
    }

    private static @Nullable Instant instant(@Nullable String text) {
        return text == null ? null : Instant.parse(text);
    }
}

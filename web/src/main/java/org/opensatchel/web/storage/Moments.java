package org.opensatchel.web.storage;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;

/** Points in time on their way to the database and back: its driver knows no {@link Instant}. */
public final class Moments {

    private Moments() {
    }

    /** A time as a parameter; null stays null. */
    public static OffsetDateTime at(Instant instant) {
        return instant == null ? null : instant.atOffset(ZoneOffset.UTC);
    }

    /** The time in a column that always has one. */
    public static Instant of(ResultSet row, String column) throws SQLException {
        return row.getObject(column, OffsetDateTime.class).toInstant();
    }

    /** The same by the number of the column, from 1. */
    public static Instant of(ResultSet row, int column) throws SQLException {
        return row.getObject(column, OffsetDateTime.class).toInstant();
    }

    /** The time in a column; empty when there is none. */
    public static Optional<Instant> maybe(ResultSet row, String column) throws SQLException {
        return Optional.ofNullable(row.getObject(column, OffsetDateTime.class)).map(OffsetDateTime::toInstant);
    }
}

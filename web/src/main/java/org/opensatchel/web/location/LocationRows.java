package org.opensatchel.web.location;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Where projects live now: of each computer of each student the location that was set last, unless it was given up. */
@Repository
class LocationRows {

    private static final String NEWEST = """
            select * from (
              select distinct on (enrolment_id, computer) * from project_location
              where assignment_id = :assignment
            """;
    private static final String STILL = """

              order by enrolment_id, computer, set_at desc, id desc) newest
            where not given_up order by enrolment_id, computer, id""";

    private final JdbcClient database;

    LocationRows(JdbcClient database) {
        this.database = database;
    }

    List<SetLocation> current(long assignment) {
        return database.sql(NEWEST + STILL).param("assignment", assignment).query(LocationRows::location).list();
    }

    /** The same of some students, who are at least one. */
    List<SetLocation> current(long assignment, Collection<Long> enrolments) {
        return database.sql(NEWEST + "and enrolment_id in (:enrolments)" + STILL).param("assignment", assignment)
                .param("enrolments", enrolments).query(LocationRows::location).list();
    }

    private static SetLocation location(ResultSet row, int number) throws SQLException {
        return new SetLocation(row.getLong("id"), row.getLong("enrolment_id"), row.getString("computer"),
                OperatingSystem.valueOf(row.getString("system")), StorageKind.valueOf(row.getString("storage")), row.getString("path"),
                row.getInt("must"), row.getInt("should"), Moments.of(row, "set_at"));
    }
}

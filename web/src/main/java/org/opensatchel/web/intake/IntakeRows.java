package org.opensatchel.web.intake;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.opensatchel.web.storage.Moments;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Intakes and what they hold, as rows: each is written once and then only moves on. */
@Repository
class IntakeRows {

    private static final String VIEW = """
            select i.*, (select count(*) from intake_item t where t.intake_id = i.id) as items,
              (select count(*) from intake_item t where t.intake_id = i.id and t.state = 'TAKEN') as taken,
              (select count(*) from intake_item t where t.intake_id = i.id and t.state = 'FAILED') as failed
            from intake i
            """;

    private final JdbcClient database;

    IntakeRows(JdbcClient database) {
        this.database = database;
    }

    /** Makes one, of a stored archive or of a folder, one of which is null. */
    long make(long assignment, String name, String sha256, String folder, long by, Instant now) {
        return database.sql("""
                insert into intake (assignment_id, name, sha256, folder, state, made_by, made_at)
                values (:assignment, :name, :sha256, :folder, 'LOOKED', :by, :now) returning id""")
                .param("assignment", assignment).param("name", name).param("sha256", sha256).param("folder", folder).param("by", by)
                .param("now", Moments.at(now)).query(Long.class).single();
    }

    Optional<IntakeView> find(long id) {
        return database.sql(VIEW + "where i.id = ?").param(id).query(IntakeRows::view).optional();
    }

    /** Those of an assignment that went further than being looked at, the newest first. */
    List<IntakeView> of(long assignment) {
        return database.sql(VIEW + "where i.assignment_id = ? and i.state <> 'LOOKED' order by i.id desc limit 50").param(assignment)
                .query(IntakeRows::view).list();
    }

    private static IntakeView view(ResultSet row, int number) throws SQLException {
        return new IntakeView(row.getLong("id"), row.getLong("assignment_id"), row.getString("name"),
                Optional.ofNullable(row.getString("sha256")), Optional.ofNullable(row.getString("folder")), row.getString("scheme"),
                IntakeView.State.valueOf(row.getString("state")), row.getLong("made_by"), Moments.of(row, "made_at"), row.getInt("items"),
                row.getInt("taken"), row.getInt("failed"));
    }

    void scheme(long id, String scheme) {
        database.sql("update intake set scheme = ? where id = ?").params(scheme, id).update();
    }

    /** Moves an intake on, unless somebody else did; whether it was. */
    boolean move(long id, IntakeView.State from, IntakeView.State to) {
        return database.sql("update intake set state = ?, heartbeat = now() where id = ? and state = ?")
                .params(to.name(), id, from.name()).update() == 1;
    }

    void add(long id, int ordinal, String name, long enrolment) {
        database.sql("insert into intake_item (intake_id, ordinal, name, enrolment_id, state) values (?, ?, ?, ?, 'OPEN')")
                .params(id, ordinal, name, enrolment).update();
    }

    List<ItemView> items(long id) {
        return database.sql("select * from intake_item where intake_id = ? order by ordinal").param(id)
                .query((row, number) -> new ItemView(row.getInt("ordinal"), row.getString("name"), row.getLong("enrolment_id"),
                        ItemView.State.valueOf(row.getString("state")), Optional.ofNullable(row.getString("trouble")),
                        Optional.ofNullable(row.getObject("hand_in_id", Long.class))))
                .list();
    }

    /** Notes what became of an item; {@code trouble} and {@code handIn} may be null. */
    void became(long id, int ordinal, ItemView.State state, String trouble, Long handIn) {
        database.sql("""
                update intake_item set state = :state, trouble = :trouble, hand_in_id = :handIn
                where intake_id = :id and ordinal = :ordinal""").param("state", state.name()).param("trouble", trouble)
                .param("handIn", handIn).param("id", id).param("ordinal", ordinal).update();
    }

    /** Takes the next intake that nobody is at, or whose server gave no sign of life since a time. */
    Optional<Long> claim(String token, Instant now, Instant before) {
        return database.sql("""
                update intake set claimed_by = ?, heartbeat = ? where id = (
                  select id from intake where state = 'RUNNING' and (claimed_by is null or heartbeat < ?)
                  order by id limit 1 for update skip locked)
                returning id""").params(token, Moments.at(now), Moments.at(before)).query(Long.class).optional();
    }

    /** Gives a sign of life; whether the intake is still whose who gives it, and wanted. */
    boolean alive(long id, String token, Instant now) {
        return database.sql("update intake set heartbeat = ? where id = ? and claimed_by = ? and state = 'RUNNING'")
                .params(Moments.at(now), id, token).update() == 1;
    }

    /** Leaves the rest of an intake to whoever comes next. */
    void release(long id, String token) {
        database.sql("update intake set claimed_by = null where id = ? and claimed_by = ?").params(id, token).update();
    }

    /** Whether an item is still to be taken in, by who has the intake; it stays theirs until the transaction ends. */
    boolean isOpen(long id, int ordinal, String token) {
        return database.sql("""
                select i.ordinal from intake_item i join intake b on b.id = i.intake_id
                where i.intake_id = ? and i.ordinal = ? and i.state = 'OPEN' and b.claimed_by = ? and b.state = 'RUNNING' for update""")
                .params(id, ordinal, token).query(Integer.class).optional().isPresent();
    }

    /** Takes hand-ins of an intake away that are not being checked at the moment; how many stay. */
    int removeHandIns(long id) {
        database.sql("""
                delete from hand_in
                where id in (select hand_in_id from intake_item where intake_id = ? and hand_in_id is not null) and state <> 'CHECKING'""")
                .param(id).update();
        return database.sql("select count(*) from intake_item where intake_id = ? and hand_in_id is not null").param(id)
                .query(Integer.class).single();
    }
}

package org.opensatchel.web.handin;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.opensatchel.web.storage.Locks;
import org.opensatchel.web.storage.Moments;
import org.opensatchel.worker.WorkOrder;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The rows of hand-ins, for what is no entity: documents as they are kept, and what is counted by the database. */
@Repository
class HandInRows {

    private static final int AT_ONCE = 200;
    private static final RowMapper<CameIn> CAME_IN = (row, number) -> new CameIn(row.getLong("id"), row.getLong("assignment_id"),
            row.getLong("enrolment_id"), row.getString("sha256"), WorkOrder.Form.valueOf(row.getString("form")),
            row.getLong("kit_version_id"));

    private final JdbcClient database;
    private final Locks locks;
    private final JdbcTemplate batches;

    HandInRows(JdbcClient database, JdbcTemplate batches, Locks locks) {
        this.database = database;
        this.locks = locks;
        this.batches = batches;
    }

    /** What came and by what it is checked; empty when it was deleted. */
    Optional<CameIn> cameIn(long id) {
        return database.sql("""
                select id, assignment_id, enrolment_id, sha256, form, coalesce(next_kit_version_id, kit_version_id) as kit_version_id
                from hand_in where id = ?""").param(id).query(CAME_IN).optional();
    }

    /** Of each student of an assignment the one that counts. */
    List<Long> counting(long assignment) {
        return database.sql(CountingHandIns.SQL + "select id from counting").param("assignment", assignment).query(Long.class).list();
    }

    /** When it was checked at last; empty until it is. */
    Optional<Instant> checkedAt(long id) {
        return database.sql("select checked_at from hand_in where id = ? and checked_at is not null").param(id)
                .query((row, number) -> Moments.of(row, 1)).optional();
    }

    /** A page of the links of its report, packed. */
    Optional<byte[]> links(long id, int page) {
        return bytes("select content from hand_in_links where hand_in_id = ? and page = ?", id, page);
    }

    /** Puts the pages of the links of its report, packed, in the place of those there are. */
    void keepLinks(long id, List<byte[]> pages) {
        database.sql("delete from hand_in_links where hand_in_id = ?").param(id).update();
        keep("insert into hand_in_links (hand_in_id, page, content) values (?, ?, ?)", id, pages);
    }

    /** The same for the index of its files; what was made of files by the old one goes too. */
    void keepIndex(long id, List<byte[]> pages) {
        database.sql("delete from hand_in_view where hand_in_id = ?").param(id).update();
        database.sql("delete from hand_in_index where hand_in_id = ?").param(id).update();
        keep("insert into hand_in_index (hand_in_id, page, content) values (?, ?, ?)", id, pages);
    }

    private void keep(String insert, long id, List<byte[]> pages) {
        List<Integer> numbers = IntStream.range(0, pages.size()).boxed().toList();
        batches.batchUpdate(insert, numbers, AT_ONCE, (add, number) -> {
            add.setLong(1, id);
            add.setInt(2, number);
            add.setBytes(3, pages.get(number));
        });
    }

    /** How many pages there are of the index of its files. */
    int indexPages(long id) {
        return database.sql("select count(*) from hand_in_index where hand_in_id = ?").param(id).query(Integer.class).single();
    }

    /** A page of the index of its files, packed. */
    Optional<byte[]> indexPage(long id, int page) {
        return bytes("select content from hand_in_index where hand_in_id = ? and page = ?", id, page);
    }

    /** Its whole report, packed. */
    Optional<byte[]> report(long id) {
        return bytes("select report from hand_in where id = ? and report is not null", id);
    }

    /** What a page shows of its report at once, packed. */
    Optional<byte[]> digest(long id) {
        return bytes("select digest from hand_in where id = ? and digest is not null", id);
    }

    private Optional<byte[]> bytes(String sql, Object... values) {
        return database.sql(sql).params(values).query((row, number) -> row.getBytes(1)).optional();
    }

    void keepDigest(long id, byte[] digest) {
        database.sql("update hand_in set digest = ? where id = ? and digest is null").param(digest).param(id).update();
    }

    /** Waits until no other hand-in of this student is being numbered, and holds that until the transaction ends. */
    void lockNumbers(long enrolment) {
        locks.hold(Locks.What.HAND_IN_NUMBERS, enrolment);
    }

    /** Says which contents a folder consists of. */
    void consists(long id, String[] sha256, Long[] bytes) {
        database.sql("""
                insert into hand_in_file (hand_in_id, enrolment_id, sha256, bytes)
                select h.id, h.enrolment_id, f.sha256, f.bytes from hand_in h, unnest(?, ?) as f(sha256, bytes) where h.id = ?""")
                .param(sha256).param(bytes).param(id).update();
    }

    /** The contents that a folder consists of. */
    List<String> files(long id) {
        return database.sql("select sha256 from hand_in_file where hand_in_id = ?").param(id).query(String.class).list();
    }

    /** Lets go of a student's oldest hand-ins to an assignment, or pre-checks; the one that counts stays. */
    void removeOldest(long assignment, long enrolment, HandInKind kind, int upTo) {
        database.sql("""
                delete from hand_in h
                where assignment_id = ? and enrolment_id = ? and kind = ? and number <= ? and state <> 'CHECKING'
                  and counts_since is distinct from (
                    select max(o.counts_since) from hand_in o
                    where o.assignment_id = h.assignment_id and o.enrolment_id = h.enrolment_id and o.counts_since is not null)""")
                .params(assignment, enrolment, kind.name(), upTo).update();
    }

    /** What a student's hand-ins take up: a content that is in several of them is there once. Counted as they come and go. */
    long bytesOfStudent(long enrolment) {
        return database.sql("select coalesce((select bytes from held_bytes where enrolment_id = ?), 0)").param(enrolment).query(Long.class)
                .single();
    }

    /** The same for a course: each of its students has what they have. */
    long bytesOfCourse(long course) {
        return database.sql("""
                select coalesce(sum(b.bytes), 0) from enrolment e join held_bytes b on b.enrolment_id = e.id where e.course_id = ?""")
                .param(course).query(Long.class).single();
    }
}

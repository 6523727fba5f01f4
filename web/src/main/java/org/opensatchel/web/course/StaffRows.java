package org.opensatchel.web.course;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.web.course.RosterService.Staff;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who teaches a course or assists in it, and what that lets them do. */
@Repository
class StaffRows {

    private final JdbcClient database;

    StaffRows(JdbcClient database) {
        this.database = database;
    }

    /** A student whose account is nobody else's business. */
    record OwnStudent(long enrolment, boolean hasPassword) {}

    /** The courses somebody may plan, and not only review. */
    Set<Long> plannedBy(long account) {
        return database.sql("select course_id from course_instructor where account_id = ? and role in ('OWNER', 'INSTRUCTOR')")
                .param(account).query(Long.class).set();
    }

    boolean mayPlan(long course, long account) {
        return role(course, account).filter(role -> role != StaffRole.ASSISTANT).isPresent();
    }

    boolean mayPlanAssignment(long assignment, long account) {
        return database.sql("""
                select 1 from assignment a join course_instructor i on i.course_id = a.course_id
                where a.id = ? and i.account_id = ? and i.role in ('OWNER', 'INSTRUCTOR')""").params(assignment, account)
                .query(Integer.class).optional().isPresent();
    }

    int owners(long course) {
        return database.sql("select count(*) from course_instructor where course_id = ? and role = 'OWNER'").param(course)
                .query(Integer.class).single();
    }

    Optional<StaffRole> role(long course, long account) {
        return database.sql("select role from course_instructor where course_id = ? and account_id = ?").params(course, account)
                .query(String.class).optional().map(StaffRole::valueOf);
    }

    /** Waits until nobody else changes who belongs to a course, and holds that until the transaction ends. */
    void lock(long course) {
        database.sql("select 1 from course where id = ? for update").param(course).query(Integer.class).single();
    }

    /** Owners first, then who teaches, then who assists. */
    List<Staff> of(long course) {
        return database.sql("""
                select a.id, a.login, a.display_name, i.role
                from course_instructor i join account a on a.id = i.account_id where i.course_id = ?
                order by array_position(array['OWNER', 'INSTRUCTOR', 'ASSISTANT'], cast(i.role as text)), a.display_name""")
                .param(course)
                .query((row, number) -> new Staff(row.getLong(1), row.getString(2), row.getString(3), StaffRole.valueOf(row.getString(4))))
                .list();
    }

    void put(long course, long account, StaffRole role) {
        database.sql("""
                insert into course_instructor (course_id, account_id, role) values (?, ?, ?)
                on conflict (course_id, account_id) do update set role = excluded.role""").params(course, account, role.name()).update();
    }

    void remove(long course, long account) {
        database.sql("delete from course_instructor where course_id = ? and account_id = ?").params(course, account).update();
    }

    /** The students of a course who study in none that somebody may not plan, and whether they have chosen a password. */
    List<OwnStudent> ownStudents(long course, long planner) {
        return database.sql("""
                select e.id, a.password_hash is not null
                from enrolment e join account a on a.id = e.account_id
                where e.course_id = :course and e.left_at is null and a.role = 'STUDENT' and not exists (
                  select 1 from enrolment o where o.account_id = e.account_id and not exists (
                    select 1 from course_instructor i
                    where i.course_id = o.course_id and i.account_id = :planner and i.role in ('OWNER', 'INSTRUCTOR')))""")
                .param("course", course).param("planner", planner)
                .query((row, number) -> new OwnStudent(row.getLong(1), row.getBoolean(2))).list();
    }
}

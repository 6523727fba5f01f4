package org.opensatchel.web.course;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CourseRepository extends Repository<Course, Long> {

    Optional<Course> findById(long id);

    @Query("select c from Course c where :account member of c.instructors order by c.code")
    List<Course> taughtBy(long account);

    /** The courses somebody may plan, and not only review. */
    @Query(nativeQuery = true, value = "select course_id from course_instructor where account_id = :account and role in ('OWNER', 'INSTRUCTOR')")
    Set<Long> plannedBy(long account);

    @Query("select c from Course c where c.id in (select e.courseId from Enrolment e where e.accountId = :account and e.leftAt is null) order by c.code, c.title")
    List<Course> attendedBy(long account);

    /** The language of the newest course somebody teaches or studies in that has one. */
    @Query(nativeQuery = true, value = """
            select c.language from course c where c.language is not null and (exists (select 1 from course_instructor i where i.course_id = c.id and i.account_id = :account)
                or exists (select 1 from enrolment e where e.course_id = c.id and e.account_id = :account and e.left_at is null)) order by c.id desc limit 1""")
    Optional<String> languageOf(long account);

    @Query(nativeQuery = true, value = "select language from course where id = :id and language is not null")
    Optional<String> language(long id);

    @Modifying
    @Query(nativeQuery = true, value = "update course set language = nullif(:language, '') where id = :id")
    void speak(long id, String language);

    boolean existsByCode(String code);

    @Query(nativeQuery = true, value = "select count(*) > 0 from course_instructor where course_id = :id and account_id = :account and role in ('OWNER', 'INSTRUCTOR')")
    boolean isPlannedBy(long id, long account);

    @Query(nativeQuery = true, value = "select count(*) from course_instructor where course_id = :id and role = 'OWNER'")
    int owners(long id);

    @Query(nativeQuery = true, value = "select role from course_instructor where course_id = :id and account_id = :account")
    Optional<String> role(long id, long account);

    /** Waits until nobody else changes the staff of a course, and holds that until the transaction ends. */
    @Query(nativeQuery = true, value = "select 1 from course where id = :id for update")
    int lock(long id);

    @Modifying
    @Query(nativeQuery = true, value = "delete from course_instructor where course_id = :id and account_id = :account")
    void removeStaff(long id, long account);

    /** The students of a course who study in none that somebody may not plan, and whether they have chosen a password. */
    @Query(nativeQuery = true, value = """
            select e.id as enrolmentId, a.password_hash is not null as hasPassword from enrolment e join account a on a.id = e.account_id
            where e.course_id = :id and e.left_at is null and a.role = 'STUDENT' and not exists (select 1 from enrolment o where o.account_id = e.account_id and not exists
                (select 1 from course_instructor i where i.course_id = o.course_id and i.account_id = :planner and i.role in ('OWNER', 'INSTRUCTOR')))""")
    List<OwnStudent> ownStudents(long id, long planner);

    /** A student whose account is nobody else's business. */
    interface OwnStudent {
        long getEnrolmentId();

        boolean getHasPassword();
    }

    @Query(nativeQuery = true, value = "select a.id as account, a.login as login, a.display_name as name, i.role as role from course_instructor i join account a on a.id = i.account_id where i.course_id = :id order by array_position(array['OWNER', 'INSTRUCTOR', 'ASSISTANT'], cast(i.role as text)), a.display_name")
    List<StaffRow> staff(long id);

    @Modifying
    @Query(nativeQuery = true, value = "insert into course_instructor (course_id, account_id, role) values (:id, :account, :role) on conflict (course_id, account_id) do update set role = excluded.role")
    void putStaff(long id, long account, String role);

    /** Somebody of the staff. */
    interface StaffRow {
        long getAccount();

        String getLogin();

        String getName();

        String getRole();
    }

    Course saveAndFlush(Course course);
}

package org.opensatchel.web.course;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The languages of courses, which their people's pages are in until they choose one themselves. */
@Repository
class CourseLanguages {

    private final JdbcClient database;

    CourseLanguages(JdbcClient database) {
        this.database = database;
    }

    /** That of the newest course somebody teaches or studies in that has one. */
    Optional<String> languageOf(long account) {
        return database.sql("""
                select c.language from course c
                where c.language is not null and (
                  exists (select 1 from course_instructor i where i.course_id = c.id and i.account_id = :account)
                  or exists (select 1 from enrolment e where e.course_id = c.id and e.account_id = :account and e.left_at is null))
                order by c.id desc limit 1""").param("account", account).query(String.class).optional();
    }

    Optional<String> language(long course) {
        return database.sql("select language from course where id = ? and language is not null").param(course).query(String.class)
                .optional();
    }

    /** Sets the language of a course; empty leaves it to each browser. */
    void choose(long course, String language) {
        database.sql("update course set language = nullif(?, '') where id = ?").params(language, course).update();
    }
}

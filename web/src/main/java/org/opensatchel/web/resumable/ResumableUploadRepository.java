package org.opensatchel.web.resumable;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ResumableUploadRepository extends Repository<ResumableUpload, Long> {

    ResumableUpload save(ResumableUpload sending);

    /** One by its name, for the account it belongs to; for anybody else it does not exist. */
    @Query("select s from ResumableUpload s, Enrolment e where s.token = :token and e.id = s.enrolmentId and e.accountId = :account")
    Optional<ResumableUpload> own(String token, long account);

    @Query("select s from ResumableUpload s where s.assignmentId = :assignment and s.enrolmentId = :enrolment and s.finished = false")
    Optional<ResumableUpload> going(long assignment, long enrolment);

    /** What else a student is sending, in bytes that are still to come or lie here already. */
    @Query("select coalesce(sum(s.wanted), 0) from ResumableUpload s where s.enrolmentId = :enrolment and s.finished = false and s.assignmentId <> :assignment")
    long wantedElsewhere(long enrolment, long assignment);

    @Modifying
    @Query("update ResumableUpload s set s.touchedAt = :now where s.token = :token")
    void touch(String token, Instant now);

    @Modifying
    @Query("delete from ResumableUpload s where s.id = :id")
    void delete(long id);

    @Modifying
    @Query("delete from ResumableUpload s where s.touchedAt < :before")
    int deleteOld(Instant before);

    @Query("select s.token from ResumableUpload s where s.finished = false")
    List<String> tokens();
}

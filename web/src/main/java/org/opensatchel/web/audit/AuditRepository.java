package org.opensatchel.web.audit;

import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface AuditRepository extends Repository<AuditEntry, Long> {

    AuditEntry save(AuditEntry entry);

    @Query(value = "select new org.opensatchel.web.audit.AuditLine(a.at, coalesce(c.displayName, ''), a.enrolmentId, a.handInId, h.number, a.what, a.detail, a.facts) "
            + "from AuditEntry a left join Account c on c.id = a.accountId left join HandIn h on h.id = a.handInId where a.assignmentId = :assignment order by a.id desc", countQuery = "select count(a) from AuditEntry a where a.assignmentId = :assignment")
    Page<AuditLine> of(long assignment, Pageable page);

    @Query("select new org.opensatchel.web.audit.AuditLine(a.at, coalesce(c.displayName, ''), a.enrolmentId, a.handInId, h.number, a.what, a.detail, a.facts) "
            + "from AuditEntry a left join Account c on c.id = a.accountId left join HandIn h on h.id = a.handInId "
            + "where a.assignmentId = :assignment and a.enrolmentId = :enrolment and a.what <> SAW order by a.id desc limit 200")
    List<AuditLine> ofStudent(long assignment, long enrolment);

    /** When somebody looked at each hand-in last. */
    @Query("select a.handInId as handIn, max(a.at) as at from AuditEntry a where a.assignmentId = :assignment and a.accountId = :account and a.what = SAW and a.handInId is not null group by a.handInId")
    List<Seen> seen(long assignment, long account);

    /** When somebody looked at a hand-in. */
    interface Seen {
        long getHandIn();

        Instant getAt();
    }
}

package org.opensatchel.web.mail;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface MailRepository extends Repository<Mail, Long> {

    Optional<Mail> findById(long id);

    Mail saveAndFlush(Mail mail);

    boolean existsBySentOnce(String sentOnce);

    @Modifying
    @Query("update Mail m set m.state = :state, m.trouble = :trouble, m.sentAt = :sent, m.notBefore = :notBefore where m.id = :id and m.state = SENDING")
    int became(long id, MailView.State state, MailView.Trouble trouble, Instant sent, Instant notBefore);

    /** What was being given away by a server that is gone may have arrived. */
    @Modifying
    @Query("update Mail m set m.state = UNSURE, m.trouble = BROKE_OFF where m.state = SENDING and m.claimedAt < :before")
    int lost(Instant before);

    @Modifying
    @Query("update Mail m set m.state = CANCELLED, m.sentOnce = concat(m.sentOnce, '#', m.id) where m.id in :ids and m.state = QUEUED")
    int cancel(Collection<Long> ids);

    @Modifying
    @Query("update Mail m set m.state = QUEUED, m.notBefore = :now, m.trouble = null where m.id = :id and m.assignmentId = :assignment and m.state in (FAILED, UNSURE)")
    int again(long id, long assignment, Instant now);

    @Query("select m from Mail m where m.assignmentId = :assignment order by m.id desc")
    Page<Mail> of(long assignment, Pageable page);

    @Query("select m from Mail m where m.assignmentId = :assignment and m.enrolmentId = :enrolment and m.state <> CANCELLED order by m.id desc")
    List<Mail> ofStudent(long assignment, long enrolment);

    @Query("select m.enrolmentId as enrolment, max(m.queuedAt) as at from Mail m where m.assignmentId = :assignment and m.kind = REMINDER and m.state <> CANCELLED group by m.enrolmentId")
    List<Last> reminded(long assignment);

    /** When somebody was reminded last. */
    interface Last {
        long getEnrolment();

        Instant getAt();
    }
}

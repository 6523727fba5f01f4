package org.opensatchel.web.audit;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The log of who saw, decided, returned and downloaded what. */
@Service
@Transactional
public class AuditService {

    private final AuditRepository entries;
    private final AuditRows rows;
    private final Clock clock;

    AuditService(AuditRepository entries, AuditRows rows, Clock clock) {
        this.entries = entries;
        this.rows = rows;
        this.clock = clock;
    }

    /** What a line is about; 0 for no student or no hand-in. */
    public record About(long assignment, long enrolment, long handIn) {}

    public void log(long account, About about, AuditAction what, Detail detail) {
        entries.save(new AuditEntry(clock.instant(), account, about, what, detail));
    }

    /**
     * That somebody looked at something. Nobody waits for the disk because of it: when the machine itself loses its power, the last half
     * second of who looked at what is lost, with whatever else the transaction did.
     */
    public void saw(long account, About about) {
        rows.saw(clock.instant(), account, about);
    }

    /** One page of an assignment's log, the newest first. */
    @Transactional(readOnly = true)
    public Page<AuditLine> of(long assignment, Pageable page) {
        return entries.of(assignment, page);
    }

    /** What was done about a student's hand-ins, the newest first. */
    @Transactional(readOnly = true)
    public List<AuditLine> ofStudent(long assignment, long enrolment) {
        return entries.ofStudent(assignment, enrolment);
    }

    /** When somebody looked at each hand-in last, by hand-in. */
    @Transactional(readOnly = true)
    public Map<Long, Instant> seen(long assignment, long account) {
        return entries.seen(assignment, account).stream()
                .collect(Collectors.toMap(AuditRepository.Seen::getHandIn, AuditRepository.Seen::getAt));
    }
}

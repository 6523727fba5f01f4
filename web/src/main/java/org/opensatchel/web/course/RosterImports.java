package org.opensatchel.web.course;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.roster.RosterChange;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.core.roster.RosterColumn;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.core.roster.RosterReading;
import org.opensatchel.core.roster.RosterTable;
import org.opensatchel.web.account.AccountService;
import org.opensatchel.web.account.AccountService.AccountView;
import org.opensatchel.web.account.Role;
import org.opensatchel.web.course.RosterImportRows.Changed;
import org.opensatchel.web.course.RosterImportRows.Line;
import org.opensatchel.web.course.RosterImportRows.Made;
import org.opensatchel.web.course.RosterImportRows.Steps;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Imports of rosters: what one would change, its making, all or nothing, and taking it back. */
@Service
class RosterImports {

    private static final int LONGEST_HEADING = 120;
    /** After so many the lines that were made leave the memory. */
    private static final int FLUSH_EVERY = 200;

    private final RosterImportRows imports;
    private final EnrolmentRepository enrolments;
    private final StaffRows staff;
    private final AccountService accounts;
    private final EntityManager entities;
    private final Clock clock;

    RosterImports(RosterImportRows imports, EnrolmentRepository enrolments, StaffRows staff, AccountService accounts,
            EntityManager entities, Clock clock) {
        this.imports = imports;
        this.enrolments = enrolments;
        this.staff = staff;
        this.accounts = accounts;
        this.entities = entities;
        this.clock = clock;
    }

    /** Somebody who would be added, and the account that is theirs already, if there is one. */
    record Joining(RosterLine line, AccountView account) {}

    /**
     * What is to be done of what a table would change.
     *
     * @param token the same for the same press of the button
     * @param apart rows of those who are somebody else than the owner of the account that was found for them
     * @param removed who loses access, by their lines of the roster
     * @param keepsNames whether the folders of those whose names change are named as before
     */
    record Decided(String token, TreeSet<Integer> apart, TreeSet<Long> removed, boolean keepsNames) {}

    /** How the columns of a course's tables are to be read, as far as it was said, now or before. */
    @Transactional(readOnly = true)
    public RosterChoice choice(long course, boolean chosen, boolean headless, List<Optional<RosterColumn>> columns) {
        Map<Integer, RosterColumn> out = new TreeMap<>();
        for (int i = 0; i < columns.size(); i++) {
            int place = i;
            columns.get(i).ifPresent(column -> out.put(place, column));
        }
        return new RosterChoice(chosen, chosen && headless, out, imports.headings(course));
    }

    /** What a table would change. */
    @Transactional(readOnly = true)
    public RosterChange change(long course, RosterReading reading) {
        return RosterChange.between(present(course).stream().map(enrolment -> new RosterChange.Known(enrolment.id(), enrolment.lastName(),
                enrolment.firstName(), enrolment.studentNumber(), enrolment.section())).toList(), reading);
    }

    private List<Enrolment> present(long course) {
        return enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(course).stream().filter(one -> one.leftAt() == null).toList();
    }

    /** Of those who would be added, who has an account already: by the whole address, or by the sign-in where there is no address. */
    @Transactional(readOnly = true)
    public List<Joining> joining(RosterChange change) {
        Map<RosterLine, AccountView> known = known(change.added());
        return change.added().stream().filter(known::containsKey).map(line -> new Joining(line, known.get(line))).toList();
    }

    /** Nobody who teaches becomes a student by a roster, and nothing of their account changes. */
    private Map<RosterLine, AccountView> known(List<RosterLine> lines) {
        Map<String, AccountView> byEmail = accounts.byEmails(lines.stream().map(RosterLine::email).filter(one -> !one.isEmpty()).toList());
        Map<String, AccountView> byLogin = accounts.byLogins(
                lines.stream().filter(line -> line.email().isEmpty()).map(RosterLine::login).filter(one -> !one.isEmpty()).toList());
        Map<RosterLine, AccountView> out = new HashMap<>();
        lines.forEach(line -> Optional.ofNullable(line.email().isEmpty() ? byLogin.get(line.login()) : byEmail.get(line.email()))
                .filter(account -> !account.isInstructor()).ifPresent(account -> out.put(line, account)));
        return out;
    }

    /**
     * Makes an import, all of it or nothing; made already, it is only told. Who is removed keeps what they handed in.
     *
     * @param choice what columns were said to hold, which is remembered
     */
    @Transactional
    public Made apply(long course, long account, RosterReading reading, RosterChoice choice, Decided decided) {
        staff.lock(course);
        Optional<Made> before = imports.find(course, decided.token);
        if (before.isPresent()) {
            return before.get();
        }
        RosterChange change = change(course, reading);
        Steps steps = new Steps(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        Map<Long, Enrolment> present = present(course).stream().collect(Collectors.toMap(Enrolment::id, Function.identity()));
        change.changed().forEach(changed -> steps.changed()
                .add(changed(present.get(changed.known().key()), changed.line(), decided.keepsNames && changed.isName())));
        for (RosterChange.Known left : change.left()) {
            if (decided.removed.contains(left.key())) {
                present.get(left.key()).left(clock.instant());
                steps.removed().add(left.key());
            }
        }
        new Adding(course, change.added(), decided, steps).all();
        remember(course, reading, choice);
        imports.put(course, decided.token, account, clock.instant(), steps);
        return imports.find(course, decided.token).orElseThrow();
    }

    private Changed changed(Enrolment enrolment, RosterLine line, boolean keepsName) {
        Line before = line(enrolment);
        enrolment.told(line, keepsName);
        return new Changed(enrolment.id(), before, line(enrolment));
    }

    private static Line line(Enrolment one) {
        return new Line(one.lastName(), one.firstName(), one.studentNumber(), one.section(), one.lastForm(), one.firstForm());
    }

    private void remember(long course, RosterReading reading, RosterChoice choice) {
        if (!choice.chosen() || choice.headless()) {
            return;
        }
        reading.columns().forEach(column -> {
            String heading = RosterTable.plain(column.heading());
            if (!heading.isEmpty() && heading.length() <= LONGEST_HEADING) {
                column.meaning().ifPresent(meaning -> imports.remember(course, heading, meaning));
            }
        });
    }

    /** Those who are new on a roster, or back on it. */
    private final class Adding {
        private final long course;
        private final List<RosterLine> lines;
        private final Steps steps;
        private final Map<RosterLine, AccountView> joined;
        /** Who is on the roster or was, by their accounts. */
        private final Map<Long, Enrolment> byAccount = new HashMap<>();
        private final Map<String, Enrolment> goneByNumber = new HashMap<>();

        Adding(long course, List<RosterLine> lines, Decided decided, Steps steps) {
            this.course = course;
            this.lines = lines;
            this.steps = steps;
            this.joined = known(lines.stream().filter(line -> !decided.apart.contains(line.row())).toList());
            for (Enrolment one : enrolments.findByCourseIdOrderByLastNameAscFirstNameAsc(course)) {
                byAccount.put(one.accountId(), one);
                if (one.leftAt() != null && !one.studentNumber().isEmpty() && !steps.removed().contains(one.id())) {
                    goneByNumber.putIfAbsent(one.studentNumber(), one);
                }
            }
        }

        void all() {
            entities.flush();
            for (int i = 0; i < lines.size(); i++) {
                add(lines.get(i));
                if (i % FLUSH_EVERY == FLUSH_EVERY - 1) {
                    entities.flush();
                    entities.clear();
                }
            }
            entities.flush();
        }

        private void add(RosterLine line) {
            Optional<AccountView> known = Optional.ofNullable(joined.get(line));
            Optional<Enrolment> before = known.map(account -> byAccount.get(account.id())).or(() -> wasHere(line));
            if (before.isPresent()) {
                // On the roster already, under another number or name, or back after having left.
                Enrolment enrolment = enrolments.findById(before.get().id()).orElseThrow();
                if (enrolment.leftAt() != null) {
                    steps.back().add(enrolment.id());
                }
                steps.changed().add(changed(enrolment, line, false));
                enrolment.back();
                return;
            }
            long account = known.map(AccountView::id).orElseGet(() -> made(line));
            Enrolment added = enrolments.save(new Enrolment(course, account, line.last(), line.first(), line.id(), line.section()));
            steps.added().add(added.id());
        }

        private long made(RosterLine line) {
            long account = accounts.make(wish(line), (line.first() + " " + line.last()).strip(), line.email(), Role.STUDENT,
                    Optional.of(course)).id();
            steps.accounts().add(account);
            return account;
        }

        /** Who left this course under the same number and name. */
        private Optional<Enrolment> wasHere(RosterLine line) {
            return Optional.ofNullable(goneByNumber.get(line.id()))
                    .filter(one -> NameFolding.loose(one.lastName()).equals(NameFolding.loose(line.last())));
        }
    }

    static String wish(RosterLine line) {
        return line.login().isEmpty()
                ? (line.first().isEmpty() ? "" : NameFolding.loose(line.first()) + ".") + NameFolding.loose(line.last())
                : line.login();
    }

    /** The newest import that can be taken back. */
    @Transactional(readOnly = true)
    public Optional<Made> newest(long course) {
        return imports.newest(course);
    }

    /**
     * Takes an import back: who was added is gone, unless they did something meanwhile; who was removed is there; and what was changed is as
     * before, unless somebody changed it since. Taken back already, it is nothing.
     */
    @Transactional
    public void undo(long course, long id) {
        staff.lock(course);
        imports.undo(course, id, clock.instant()).ifPresent(steps -> {
            steps.changed().forEach(changed -> enrolments.findById(changed.enrolment())
                    .filter(enrolment -> line(enrolment).equals(changed.after())).ifPresent(enrolment -> enrolment.as(changed.before())));
            steps.removed().forEach(one -> enrolments.findById(one).ifPresent(Enrolment::back));
            steps.back().forEach(one -> enrolments.findById(one).ifPresent(enrolment -> enrolment.left(clock.instant())));
            entities.flush();
            entities.clear();
            Set<Long> kept = new HashSet<>(steps.added());
            imports.removeUnused(steps.added()).forEach(kept::remove);
            kept.forEach(one -> enrolments.findById(one).filter(enrolment -> enrolment.leftAt() == null)
                    .ifPresent(enrolment -> enrolment.left(clock.instant())));
            imports.removeUnusedAccounts(steps.accounts());
        });
    }
}

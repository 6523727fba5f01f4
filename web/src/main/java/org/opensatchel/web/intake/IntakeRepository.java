package org.opensatchel.web.intake;

import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.hibernate.Session;
import org.springframework.stereotype.Component;

/** Intakes and what they hold, as rows: each is written once and then only moves on. */
@Component
class IntakeRepository {

    private final EntityManager database;

    IntakeRepository(EntityManager database) {
        this.database = database;
    }

    private Session session() {
        return database.unwrap(Session.class);
    }

    long make(long assignment, String name, String sha256, String folder, long by, Instant now) {
        return session().createNativeQuery(
                "insert into intake (assignment_id, name, sha256, folder, state, made_by, made_at) values (:assignment, :name, :sha256, :folder, 'LOOKED', :by, :now) returning id",
                Long.class).setParameter("assignment", assignment).setParameter("name", name).setParameter("sha256", sha256, String.class)
                .setParameter("folder", folder, String.class).setParameter("by", by).setParameter("now", now).getSingleResult();
    }

    Optional<IntakeView> find(long id) {
        return session().createNativeQuery("select i.*, (select count(*) from intake_item t where t.intake_id = i.id) as items, "
                + "(select count(*) from intake_item t where t.intake_id = i.id and t.state = 'TAKEN') as taken, "
                + "(select count(*) from intake_item t where t.intake_id = i.id and t.state = 'FAILED') as failed from intake i where i.id = :id",
                Tuple.class)
                .setParameter("id", id).uniqueResultOptional().map(IntakeRepository::view);
    }

    List<IntakeView> of(long assignment) {
        return session().createNativeQuery("select i.*, (select count(*) from intake_item t where t.intake_id = i.id) as items, "
                + "(select count(*) from intake_item t where t.intake_id = i.id and t.state = 'TAKEN') as taken, "
                + "(select count(*) from intake_item t where t.intake_id = i.id and t.state = 'FAILED') as failed from intake i "
                + "where i.assignment_id = :assignment and i.state <> 'LOOKED' order by i.id desc limit 50", Tuple.class)
                .setParameter("assignment", assignment)
                .list().stream().map(IntakeRepository::view).toList();
    }

    private static IntakeView view(Tuple row) {
        return new IntakeView(((Number) row.get("id")).longValue(), ((Number) row.get("assignment_id")).longValue(),
                (String) row.get("name"),
                Optional.ofNullable((String) row.get("sha256")), Optional.ofNullable((String) row.get("folder")),
                (String) row.get("scheme"),
                IntakeView.State.valueOf((String) row.get("state")), ((Number) row.get("made_by")).longValue(),
                row.get("made_at", Instant.class),
                ((Number) row.get("items")).intValue(), ((Number) row.get("taken")).intValue(), ((Number) row.get("failed")).intValue());
    }

    void scheme(long id, String scheme) {
        session().createNativeMutationQuery("update intake set scheme = :scheme where id = :id").setParameter("scheme", scheme)
                .setParameter("id", id)
                .executeUpdate();
    }

    /** Moves an intake on, unless somebody else did; whether it was. */
    boolean move(long id, IntakeView.State from, IntakeView.State to) {
        return session().createNativeMutationQuery("update intake set state = :to, heartbeat = now() where id = :id and state = :from")
                .setParameter("to", to.name()).setParameter("from", from.name()).setParameter("id", id).executeUpdate() == 1;
    }

    void add(long id, int ordinal, String name, long enrolment) {
        session().createNativeMutationQuery(
                "insert into intake_item (intake_id, ordinal, name, enrolment_id, state) values (:id, :ordinal, :name, :enrolment, 'OPEN')")
                .setParameter("id", id).setParameter("ordinal", ordinal).setParameter("name", name).setParameter("enrolment", enrolment)
                .executeUpdate();
    }

    List<ItemView> items(long id) {
        return session().createNativeQuery("select * from intake_item where intake_id = :id order by ordinal", Tuple.class)
                .setParameter("id", id).list().stream()
                .map(row -> new ItemView(((Number) row.get("ordinal")).intValue(), (String) row.get("name"),
                        ((Number) row.get("enrolment_id")).longValue(),
                        ItemView.State.valueOf((String) row.get("state")), Optional.ofNullable((String) row.get("trouble")),
                        Optional.ofNullable((Number) row.get("hand_in_id")).map(Number::longValue)))
                .toList();
    }

    void became(long id, int ordinal, ItemView.State state, String trouble, Long handIn) {
        session().createNativeMutationQuery(
                "update intake_item set state = :state, trouble = :trouble, hand_in_id = :handIn where intake_id = :id and ordinal = :ordinal")
                .setParameter("state", state.name()).setParameter("trouble", trouble, String.class)
                .setParameter("handIn", handIn, Long.class)
                .setParameter("id", id).setParameter("ordinal", ordinal).executeUpdate();
    }

    /** Takes the next intake that nobody is at, or whose server gave no sign of life since a time. */
    Optional<Long> claim(String token, Instant now, Instant before) {
        return session().createNativeQuery(
                "update intake set claimed_by = :token, heartbeat = :now where id = (select id from intake where state = 'RUNNING' "
                        + "and (claimed_by is null or heartbeat < :before) order by id limit 1 for update skip locked) returning id",
                Long.class).setParameter("token", token).setParameter("now", now).setParameter("before", before).uniqueResultOptional();
    }

    /** Gives a sign of life; whether the intake is still whose who gives it, and wanted. */
    boolean alive(long id, String token, Instant now) {
        return session().createNativeMutationQuery(
                "update intake set heartbeat = :now where id = :id and claimed_by = :token and state = 'RUNNING'")
                .setParameter("now", now).setParameter("id", id).setParameter("token", token).executeUpdate() == 1;
    }

    /** Leaves the rest of an intake to whoever comes next. */
    void release(long id, String token) {
        session().createNativeMutationQuery("update intake set claimed_by = null where id = :id and claimed_by = :token")
                .setParameter("id", id).setParameter("token", token).executeUpdate();
    }

    /** Whether an item is still to be taken in, by who has the intake; it stays theirs until the transaction ends. */
    boolean isOpen(long id, int ordinal, String token) {
        return !session()
                .createNativeQuery("select i.ordinal from intake_item i join intake b on b.id = i.intake_id where i.intake_id = :id "
                        + "and i.ordinal = :ordinal and i.state = 'OPEN' and b.claimed_by = :token and b.state = 'RUNNING' for update",
                        Integer.class)
                .setParameter("id", id).setParameter("ordinal", ordinal).setParameter("token", token).list().isEmpty();
    }

    /** Takes hand-ins of an intake away that are not being checked at the moment; how many stay. */
    int removeHandIns(long id) {
        session().createNativeMutationQuery(
                "delete from hand_in where id in (select hand_in_id from intake_item where intake_id = :id and hand_in_id is not null) and state <> 'CHECKING'")
                .setParameter("id", id).executeUpdate();
        return session()
                .createNativeQuery("select count(*) from intake_item where intake_id = :id and hand_in_id is not null", Long.class)
                .setParameter("id", id).getSingleResult().intValue();
    }
}

-- Checks have a queue of their own: fair, with retries, and with a sign of life of whoever is at one.
alter table hand_in
    add column queued_at timestamp with time zone,
    add column not_before timestamp with time zone,
    add column weight integer not null default 0,
    add column tries integer not null default 0,
    add column faults integer not null default 0,
    add column failure varchar(10) check (failure in ('TIME', 'MEMORY', 'OUTPUT', 'DIED', 'BROKE', 'STORE')),
    add column claimed_by varchar(60),
    add column heartbeat timestamp with time zone,
    add column digest bytea;
update hand_in set queued_at = received_at, not_before = received_at;
update hand_in set failure = 'BROKE' where state = 'FAILED';
update hand_in set state = 'WAITING' where state = 'CHECKING';
alter table hand_in alter column queued_at set not null, alter column not_before set not null;
create index hand_in_open on hand_in (state, not_before) where state in ('WAITING', 'CHECKING');

-- The links of a report in pages of a hundred, compressed, so that a view costs the same however many there are.
create table hand_in_links (
    hand_in_id bigint not null references hand_in on delete cascade,
    page integer not null,
    content bytea not null,
    primary key (hand_in_id, page)
);

-- The jobs of the queue that was.
delete from scheduled_tasks where task_name = 'check-hand-in';

-- Checks that a student makes before handing in stand beside hand-ins: the same check, which counts for nothing.
alter table hand_in
    add column kind varchar(10) not null default 'HAND_IN' check (kind in ('HAND_IN', 'PRE_CHECK')),
    -- A project's archive, or a packet of the list of its files and its documents.
    add column form varchar(10) not null default 'ZIP' check (form in ('ZIP', 'LISTING')),
    -- Of a student's hand-ins the one with the latest of these counts; one that is withdrawn has none.
    add column counts_since timestamp with time zone;
update hand_in set counts_since = received_at;
alter table hand_in drop constraint hand_in_assignment_id_enrolment_id_number_key;
alter table hand_in add constraint hand_in_number unique (assignment_id, enrolment_id, kind, number);
drop index hand_in_assignment;
create index hand_in_counts on hand_in (assignment_id, enrolment_id, counts_since) where counts_since is not null;

-- Deadlines in the time zone of the course, with time for stragglers, and what happens after.
alter table course
    add column time_zone varchar(60) not null default '',
    add column shows_pre_checks boolean not null default false;
alter table assignment
    add column grace_minutes integer not null default 0 check (grace_minutes between 0 and 10080),
    add column after_due varchar(10) not null default 'LATE' check (after_due in ('CLOSED', 'LATE', 'OPEN')),
    add column takes_listing boolean not null default false;
create table extension (
    assignment_id bigint not null references assignment,
    enrolment_id bigint not null references enrolment,
    due_at timestamp with time zone not null,
    primary key (assignment_id, enrolment_id)
);

-- When a student last looked at an assignment, so that what changed since can be said.
create table looked (
    assignment_id bigint not null references assignment,
    enrolment_id bigint not null references enrolment,
    looked_at timestamp with time zone not null,
    primary key (assignment_id, enrolment_id)
);

-- Who works on several computers has a location on each.
alter table project_location
    add column computer varchar(60) not null default '',
    add column given_up boolean not null default false;

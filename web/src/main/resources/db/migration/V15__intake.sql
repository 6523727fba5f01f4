-- Many people's work in one archive, or in a folder of the server: looked at, assigned, taken in one after the other, and taken back as a whole.
alter table stored_content drop constraint stored_content_purpose_check;
alter table stored_content add constraint stored_content_purpose_check
    check (purpose in ('HAND_IN', 'STARTER', 'ROSTER', 'EXAMPLE', 'SENDING', 'INTAKE'));

create table intake (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment on delete cascade,
    name varchar(300) not null,
    -- The stored archive, or the folder of the server; one of them.
    sha256 char(64),
    folder varchar(1000),
    scheme varchar(200) not null default '',
    state varchar(10) not null check (state in ('LOOKED', 'RUNNING', 'DONE', 'CANCELLED', 'UNDONE')),
    made_by bigint not null references account,
    made_at timestamp with time zone not null,
    heartbeat timestamp with time zone,
    check ((sha256 is null) <> (folder is null))
);
create index intake_assignment on intake (assignment_id, id);

create table intake_item (
    intake_id bigint not null references intake on delete cascade,
    ordinal integer not null,
    name varchar(500) not null,
    enrolment_id bigint not null references enrolment on delete cascade,
    state varchar(10) not null check (state in ('OPEN', 'TAKEN', 'FAILED')),
    trouble varchar(20),
    hand_in_id bigint references hand_in on delete set null,
    primary key (intake_id, ordinal)
);

-- Projects that are handed in file by file: the list of the files is what is handed in, their contents are kept by their hashes.
alter table hand_in drop constraint hand_in_form_check;
alter table hand_in add constraint hand_in_form_check check (form in ('ZIP', 'LISTING', 'FOLDER'));
create table hand_in_file (
    hand_in_id bigint not null references hand_in on delete cascade,
    sha256 char(64) not null,
    bytes bigint not null,
    primary key (hand_in_id, sha256)
);
create index hand_in_file_content on hand_in_file (sha256);

alter table stored_content drop constraint stored_content_purpose_check;
alter table stored_content add constraint stored_content_purpose_check
    check (purpose in ('HAND_IN', 'STARTER', 'ROSTER', 'EXAMPLE', 'SENDING'));

-- What a student is sending: what has come of it lies in a folder of its own, so that it can go on after anything that breaks it off.
create table sending (
    id bigint generated always as identity primary key,
    token char(32) not null unique,
    assignment_id bigint not null references assignment on delete cascade,
    enrolment_id bigint not null references enrolment on delete cascade,
    form varchar(10) not null check (form in ('ZIP', 'FOLDER')),
    name varchar(300) not null,
    list_sha256 char(64) not null,
    files integer not null,
    -- The whole project, and what of it was not here yet.
    bytes bigint not null,
    wanted bigint not null,
    -- A list with the hashes says what is handed in: its time is the time of the hand-in.
    listed_at timestamp with time zone not null,
    touched_at timestamp with time zone not null,
    -- What became of it; asked once more, the answer is the same.
    hand_in_id bigint references hand_in on delete set null,
    finished boolean not null default false
);
create unique index sending_open on sending (assignment_id, enrolment_id) where not finished;

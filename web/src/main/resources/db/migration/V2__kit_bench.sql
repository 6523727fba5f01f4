-- The kit bench: plans that are not published yet, who may plan, rosters that change, teams, and drives that were loaded.

-- Every save is kept: two people at one plan lose nothing.
create table kit_draft (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment,
    revision integer not null,
    document bytea not null,
    saved_at timestamp with time zone not null,
    saved_by bigint not null references account,
    unique (assignment_id, revision)
);

-- An assistant reviews, and does not plan.
alter table course_instructor add column role varchar(12) not null default 'INSTRUCTOR' check (role in ('INSTRUCTOR', 'ASSISTANT'));
alter table course add column term varchar(60) not null default '';

-- Who left stays with what they handed in; a name may be written in another way in file names.
alter table enrolment add column left_at timestamp with time zone;
alter table enrolment add column last_form varchar(120) not null default '';
alter table enrolment add column first_form varchar(120) not null default '';

create table team (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment,
    name varchar(120) not null,
    unique (assignment_id, name)
);
create table team_member (
    team_id bigint not null references team,
    enrolment_id bigint not null references enrolment,
    primary key (team_id, enrolment_id)
);
create index team_member_enrolment on team_member (enrolment_id);

-- A kit that was loaded onto a drive and found there again as it was written.
create table drive_load (
    id bigint generated always as identity primary key,
    kit_version_id bigint not null references kit_version,
    enrolment_id bigint not null references enrolment,
    drive varchar(60) not null,
    loaded_at timestamp with time zone not null
);
create index drive_load_kit_version on drive_load (kit_version_id);

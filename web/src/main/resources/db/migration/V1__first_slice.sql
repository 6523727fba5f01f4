-- Accounts, courses, rosters, assignments and kits; who collected what, where projects live, and what was handed in.

create table account (
    id bigint generated always as identity primary key,
    login varchar(60) not null unique,
    display_name varchar(120) not null,
    password_hash varchar(120) not null,
    role varchar(12) not null check (role in ('INSTRUCTOR', 'STUDENT'))
);

create table course (
    id bigint generated always as identity primary key,
    code varchar(20) not null unique,
    title varchar(120) not null
);

create table course_instructor (
    course_id bigint not null references course,
    account_id bigint not null references account,
    primary key (course_id, account_id)
);

create table enrolment (
    id bigint generated always as identity primary key,
    course_id bigint not null references course,
    account_id bigint not null references account,
    last_name varchar(120) not null,
    first_name varchar(120) not null,
    student_number varchar(20) not null,
    section varchar(20) not null,
    unique (course_id, account_id)
);
create index enrolment_account on enrolment (account_id);

create table assignment (
    id bigint generated always as identity primary key,
    course_id bigint not null references course,
    code varchar(20) not null,
    title varchar(120) not null,
    due_at timestamp with time zone not null,
    unique (course_id, code)
);

-- The kit document as the exact bytes it was published with.
create table kit_version (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment,
    version integer not null,
    document bytea not null,
    sha256 char(64) not null,
    published_at timestamp with time zone not null,
    published_by bigint not null references account,
    unique (assignment_id, version)
);

create table collection (
    id bigint generated always as identity primary key,
    kit_version_id bigint not null references kit_version,
    enrolment_id bigint not null references enrolment,
    collected_at timestamp with time zone not null
);
create index collection_enrolment on collection (enrolment_id, collected_at);
create index collection_kit_version on collection (kit_version_id);

create table project_location (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment,
    enrolment_id bigint not null references enrolment,
    system varchar(10) not null,
    storage varchar(10) not null,
    path varchar(5000) not null,
    must integer not null,
    should integer not null,
    set_at timestamp with time zone not null
);
create index project_location_enrolment on project_location (enrolment_id, assignment_id, set_at);
create index project_location_assignment on project_location (assignment_id);

-- What the class board sorts and counts stands in columns; the report is the exact JSON, compressed.
create table hand_in (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment,
    enrolment_id bigint not null references enrolment,
    number integer not null,
    file_name varchar(300) not null,
    sha256 char(64) not null,
    bytes bigint not null,
    received_at timestamp with time zone not null,
    kit_version_id bigint not null references kit_version,
    state varchar(10) not null check (state in ('WAITING', 'CHECKING', 'DONE', 'FAILED')),
    files_done bigint not null default 0,
    bytes_done bigint not null default 0,
    checked_at timestamp with time zone,
    verdict varchar(10),
    must integer not null default 0,
    should integer not null default 0,
    note integer not null default 0,
    marks varchar(200) not null default '',
    seam varchar(400) not null default '',
    links integer not null default 0,
    report bytea,
    unique (assignment_id, enrolment_id, number)
);
create index hand_in_assignment on hand_in (assignment_id, enrolment_id, number);

-- The job table of the scheduler library, as its version 16 describes it.
create table scheduled_tasks (
    task_name text not null,
    task_instance text not null,
    task_data bytea,
    execution_time timestamp with time zone not null,
    picked boolean not null,
    picked_by text,
    last_success timestamp with time zone,
    last_failure timestamp with time zone,
    consecutive_failures int,
    last_heartbeat timestamp with time zone,
    version bigint not null,
    priority smallint,
    state text,
    primary key (task_name, task_instance)
);
create index scheduled_tasks_execution_time on scheduled_tasks (execution_time);
create index scheduled_tasks_last_heartbeat on scheduled_tasks (last_heartbeat);

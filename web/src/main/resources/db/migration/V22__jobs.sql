-- Work that takes longer than a page: asked for once, carried on by whichever server has a place, left and come back to.
create table job (
    id bigint generated always as identity primary key,
    kind varchar(20) not null,
    course_id bigint not null references course on delete cascade,
    account_id bigint not null references account on delete cascade,
    -- What was asked, by its hash: the same asked twice is one job.
    name char(64) not null,
    work bytea not null,
    state varchar(10) not null,
    asked_at timestamp with time zone not null,
    ended_at timestamp with time zone,
    claimed_by varchar(36),
    heartbeat timestamp with time zone,
    tries integer not null default 0,
    done bigint not null default 0,
    whole bigint not null default 0,
    answer bytea,
    trouble varchar(20),
    unique (course_id, kind, name)
);
create index job_open on job (asked_at) where state in ('WAITING', 'RUNNING');
create index job_ended on job (ended_at) where ended_at is not null;
create index job_by_account_id on job (account_id);

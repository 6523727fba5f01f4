-- What instructors decide about findings and hand-ins. Reports stay as they were made; the columns of hand_in that the board sorts and counts hold
-- what counts after the decisions.
alter table hand_in
    add column judged boolean not null default false,
    add column points numeric(7, 2),
    add column points_of integer,
    add column points_parts varchar(120) not null default '',
    -- The codes of its findings with how many there are of each, as code:count, the most serious first.
    add column codes text not null default '';

-- The findings of a hand-in as they count, for counting and finding them; what is said of them stands in the report.
create table hand_in_finding (
    hand_in_id bigint not null references hand_in on delete cascade,
    ordinal integer not null,
    code varchar(60) not null,
    -- What it weighs, or 'waived'.
    severity varchar(6) not null,
    -- What many do wrong in the same way: the code, and the kind of place or difference.
    theme varchar(80) not null,
    subject varchar(200) not null default '',
    primary key (hand_in_id, ordinal)
);

-- A finding that is waived, or weighs more or less: for a hand-in, a student, or everybody.
create table ruling (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment on delete cascade,
    scope varchar(10) not null check (scope in ('HAND_IN', 'STUDENT', 'ASSIGNMENT')),
    enrolment_id bigint references enrolment on delete cascade,
    hand_in_id bigint references hand_in on delete cascade,
    code varchar(60) not null,
    -- Which findings of the code, by what makes them the same in the next hand-in; none for all of them.
    keys text[] not null default '{}',
    severity varchar(6) check (severity in ('must', 'should', 'note')),
    reason varchar(1000) not null,
    made_by bigint not null references account,
    made_at timestamp with time zone not null,
    undone_by bigint references account,
    undone_at timestamp with time zone,
    check ((scope = 'ASSIGNMENT') = (enrolment_id is null)),
    check ((scope = 'HAND_IN') = (hand_in_id is not null))
);
create index ruling_counts on ruling (assignment_id) where undone_at is null;

-- What somebody says of a hand-in: a remark, or something to fix that no check found.
create table remark (
    id bigint generated always as identity primary key,
    hand_in_id bigint not null references hand_in on delete cascade,
    severity varchar(6) check (severity in ('must', 'should', 'note')),
    path varchar(1000) not null default '',
    text varchar(4000) not null,
    made_by bigint not null references account,
    made_at timestamp with time zone not null,
    removed_by bigint references account,
    removed_at timestamp with time zone
);
create index remark_hand_in on remark (hand_in_id) where removed_at is null;

-- Taken for graded in spite of what is wrong, or asked for once more.
create table decision (
    id bigint generated always as identity primary key,
    hand_in_id bigint not null references hand_in on delete cascade,
    kind varchar(10) not null check (kind in ('ACCEPTED', 'RETURNED')),
    reason varchar(1000) not null default '',
    due_at timestamp with time zone,
    -- What the student's date was before, for taking it back.
    due_before timestamp with time zone,
    made_by bigint not null references account,
    made_at timestamp with time zone not null,
    undone_by bigint references account,
    undone_at timestamp with time zone
);
create index decision_hand_in on decision (hand_in_id) where undone_at is null;

-- Points that somebody gave by hand instead of what was counted.
create table given_points (
    id bigint generated always as identity primary key,
    hand_in_id bigint not null references hand_in on delete cascade,
    points numeric(7, 2) not null,
    reason varchar(1000) not null,
    made_by bigint not null references account,
    made_at timestamp with time zone not null,
    undone_by bigint references account,
    undone_at timestamp with time zone
);
create index given_points_hand_in on given_points (hand_in_id) where undone_at is null;

-- Who saw, decided, returned and downloaded what. Nothing in it is ever changed; what it is about may be gone.
create table audit (
    id bigint generated always as identity primary key,
    at timestamp with time zone not null,
    account_id bigint references account on delete set null,
    assignment_id bigint references assignment on delete cascade,
    enrolment_id bigint references enrolment on delete cascade,
    hand_in_id bigint references hand_in on delete set null,
    what varchar(20) not null,
    detail varchar(1000) not null default ''
);
create index audit_assignment on audit (assignment_id, id);
create index audit_seen on audit (assignment_id, account_id, hand_in_id, at) where what = 'SAW';

-- Reports that were made again stay: what somebody was told once can be read for ever.
create table past_report (
    id bigint generated always as identity primary key,
    hand_in_id bigint not null references hand_in on delete cascade,
    kit_version_id bigint not null references kit_version,
    checked_at timestamp with time zone not null,
    verdict varchar(10) not null,
    must integer not null,
    should integer not null,
    note integer not null,
    report bytea not null
);
create index past_report_hand_in on past_report (hand_in_id, checked_at);

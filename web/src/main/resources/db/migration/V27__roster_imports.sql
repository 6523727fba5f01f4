-- What each import of a roster changed, so that it can be taken back; and what columns were said to hold, for the next one.
create table roster_import (
    id bigint generated always as identity primary key,
    course_id bigint not null references course on delete cascade,
    -- Chosen when it was asked for: done twice, it is the same import.
    token varchar(40) not null,
    made_by bigint references account on delete set null,
    made_at timestamptz not null,
    added integer not null,
    changed integer not null,
    removed integer not null,
    made_accounts integer not null,
    -- Who was added, came back, changed and was removed, with what stood there before and after.
    steps jsonb not null,
    undone_at timestamptz,
    unique (course_id, token)
);
create index roster_import_made_by on roster_import (made_by);

create table roster_heading (
    course_id bigint not null references course on delete cascade,
    heading varchar(120) not null,
    meaning varchar(20) not null,
    primary key (course_id, heading)
);

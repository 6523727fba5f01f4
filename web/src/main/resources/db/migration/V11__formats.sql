-- Formats that a course's instructors described from an example: where a program's documents keep their links. One without a course is
-- shared with everybody here. Versions never change; a kit holds those it uses whole.
create table document_format (
    id bigint generated always as identity primary key,
    course_id bigint references course on delete cascade,
    title varchar(120) not null,
    unique nulls not distinct (course_id, title)
);
create table document_format_version (
    id bigint generated always as identity primary key,
    format_id bigint not null references document_format on delete cascade,
    version integer not null,
    document bytea not null,
    sha256 char(64) not null,
    kept_at timestamp with time zone not null,
    kept_by bigint not null references account,
    unique (format_id, version)
);

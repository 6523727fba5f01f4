-- What pictures, films and sounds have to be, under a name that everybody here may use in a plan. Plans hold what they ask for themselves.
create table media_preset (
    id bigint generated always as identity primary key,
    title varchar(60) not null unique,
    brief text not null,
    kept_at timestamp with time zone not null,
    kept_by bigint references account on delete set null
);

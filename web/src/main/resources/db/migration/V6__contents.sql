-- Whose the stored contents are. One content may be several people's; it stays as long as somebody has it.
create table stored_content (
    id bigint generated always as identity primary key,
    sha256 char(64) not null,
    bytes bigint not null,
    purpose varchar(10) not null check (purpose in ('HAND_IN', 'STARTER', 'ROSTER', 'EXAMPLE')),
    course_id bigint not null references course on delete cascade,
    stored_by bigint not null references account on delete cascade,
    stored_at timestamp with time zone not null,
    -- When it goes unless something refers to it by then; null for what stays as long as what it belongs to.
    expires_at timestamp with time zone,
    unique (sha256, purpose, course_id, stored_by)
);
create index stored_content_course on stored_content (course_id, purpose, sha256);
create index stored_content_expires on stored_content (expires_at);

insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at)
select distinct on (h.sha256, a.course_id, e.account_id) h.sha256, h.bytes, 'HAND_IN', a.course_id, e.account_id, h.received_at
from hand_in h join assignment a on a.id = h.assignment_id join enrolment e on e.id = h.enrolment_id;

-- The starter files of plans and kits. A plan may be any document: one that is none here has no starter files.
create function satchel_starters(document bytea) returns table (sha256 text, bytes bigint) language plpgsql as $$
begin
    return query select file ->> 'sha256', (file ->> 'bytes')::bigint
        from jsonb_array_elements(convert_from(document, 'UTF8')::jsonb -> 'starter') as file
        where file ->> 'sha256' ~ '^[0-9a-f]{64}$' and file ->> 'bytes' ~ '^[0-9]{1,15}$';
exception when others then
    return;
end $$;

insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at)
select distinct on (s.sha256, a.course_id) s.sha256, s.bytes, 'STARTER', a.course_id, k.by, k.at
from (select assignment_id, document, published_by as by, published_at as at from kit_version
      union all select assignment_id, document, saved_by, saved_at from kit_draft) k
join assignment a on a.id = k.assignment_id cross join lateral satchel_starters(k.document) s;

drop function satchel_starters(bytea);

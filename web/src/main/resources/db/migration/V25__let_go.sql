-- Since when nothing may refer to a content any more: it was just stored, or something that referred to it went. Whoever tidies up looks at
-- these alone, however many contents there are; null where something is known to refer to it.
alter table stored_content add column loose_since timestamp with time zone default now();
update stored_content set loose_since = stored_at;
create index stored_content_loose on stored_content (loose_since) where loose_since is not null;
create index stored_content_passing on stored_content (coalesce(expires_at, stored_at)) where purpose not in ('HAND_IN', 'STARTER');

-- What refers to contents knows its course: when it goes with its student, assignment or plan, that cannot be asked any more.
alter table held_content add column course_id bigint;
update held_content c set course_id = e.course_id from enrolment e where e.id = c.enrolment_id;
alter table held_content alter column course_id set not null;
alter table kit_content add column course_id bigint;
update kit_content k set course_id = a.course_id from assignment a where a.id = k.assignment_id;
alter table kit_content alter column course_id set not null;

create or replace function held_more() returns trigger language plpgsql as $$
begin
    insert into held_content (enrolment_id, course_id, sha256, bytes, uses)
    select f.enrolment_id, e.course_id, f.sha256, max(f.bytes), count(*) from fresh f join enrolment e on e.id = f.enrolment_id
    group by f.enrolment_id, e.course_id, f.sha256 order by f.sha256
    on conflict (enrolment_id, sha256) do update set uses = held_content.uses + excluded.uses;
    return null;
end $$;

create or replace function held_more_of_whole() returns trigger language plpgsql as $$
begin
    insert into held_content (enrolment_id, course_id, sha256, bytes, uses)
    select f.enrolment_id, e.course_id, f.sha256, max(f.bytes), count(*) from fresh f join enrolment e on e.id = f.enrolment_id
    where f.form <> 'FOLDER' group by f.enrolment_id, e.course_id, f.sha256 order by f.sha256
    on conflict (enrolment_id, sha256) do update set uses = held_content.uses + excluded.uses;
    return null;
end $$;

create or replace function kit_names_contents() returns trigger language plpgsql as $$
begin
    insert into kit_content (assignment_id, course_id, sha256, kit_version_id)
    select a.id, a.course_id, hash, new.id from assignment a, hashes_in(new.document) hash where a.id = new.assignment_id;
    return null;
end $$;

create or replace function draft_names_contents() returns trigger language plpgsql as $$
begin
    insert into kit_content (assignment_id, course_id, sha256, kit_draft_id)
    select a.id, a.course_id, hash, new.id from assignment a, hashes_in(new.document) hash where a.id = new.assignment_id;
    return null;
end $$;

-- In the order of their numbers, so that two who let go of the same contents do not wait for each other in a circle.
create function loose(course bigint, hashes bpchar[], as_what text) returns void language sql as $$
    update stored_content set loose_since = now() where id in (
        select id from stored_content where course_id = course and purpose = as_what and sha256 = any(hashes) order by id for update)
$$;

create function held_let_go() returns trigger language plpgsql as $$
begin
    perform loose(course_id, array_agg(distinct sha256), 'HAND_IN') from gone group by course_id order by course_id;
    return null;
end $$;

-- The list of a folder, which counts for nobody.
create function list_let_go() returns trigger language plpgsql as $$
begin
    perform loose(course, array_agg(distinct sha256), 'HAND_IN') from (
        select coalesce(e.course_id, a.course_id) as course, g.sha256 from gone g left join enrolment e on e.id = g.enrolment_id
        left join assignment a on a.id = g.assignment_id where g.form = 'FOLDER') lists
    where course is not null group by course order by course;
    return null;
end $$;

create function kit_let_go() returns trigger language plpgsql as $$
begin
    perform loose(course_id, array_agg(distinct sha256), 'STARTER') from gone group by course_id order by course_id;
    return null;
end $$;

create trigger held_let_go after delete on held_content referencing old table as gone for each statement execute function held_let_go();
create trigger list_let_go after delete on hand_in referencing old table as gone for each statement execute function list_let_go();
create trigger kit_let_go after delete on kit_content referencing old table as gone for each statement execute function kit_let_go();

-- What each student has handed in, counted as it comes and goes, so that nothing is added up when somebody hands in.
create table held_content (
    enrolment_id bigint not null references enrolment on delete cascade,
    sha256 char(64) not null,
    bytes bigint not null,
    -- In how many of the student's hand-ins it is; it is there once.
    uses bigint not null,
    primary key (enrolment_id, sha256)
);
create table held_bytes (
    enrolment_id bigint primary key references enrolment on delete cascade,
    bytes bigint not null
);

-- A file knows its student: when its hand-in goes, that cannot be asked any more.
alter table hand_in_file add column enrolment_id bigint;
update hand_in_file f set enrolment_id = h.enrolment_id from hand_in h where h.id = f.hand_in_id;
alter table hand_in_file alter column enrolment_id set not null;

insert into held_content (enrolment_id, sha256, bytes, uses)
select enrolment_id, sha256, max(bytes), count(*) from (
    select enrolment_id, sha256, bytes from hand_in where form <> 'FOLDER'
    union all select enrolment_id, sha256, bytes from hand_in_file) as held
group by enrolment_id, sha256;
insert into held_bytes (enrolment_id, bytes) select enrolment_id, sum(bytes) from held_content group by enrolment_id;

create function held_more() returns trigger language plpgsql as $$
begin
    insert into held_content (enrolment_id, sha256, bytes, uses)
    select enrolment_id, sha256, max(bytes), count(*) from fresh group by enrolment_id, sha256 order by sha256
    on conflict (enrolment_id, sha256) do update set uses = held_content.uses + excluded.uses;
    return null;
end $$;

create function held_less() returns trigger language plpgsql as $$
begin
    update held_content c set uses = c.uses - o.uses
    from (select enrolment_id, sha256, count(*) as uses from gone group by enrolment_id, sha256) o
    where c.enrolment_id = o.enrolment_id and c.sha256 = o.sha256;
    delete from held_content c using (select distinct enrolment_id, sha256 from gone) o
    where c.enrolment_id = o.enrolment_id and c.sha256 = o.sha256 and c.uses <= 0;
    return null;
end $$;

create function held_more_of_whole() returns trigger language plpgsql as $$
begin
    insert into held_content (enrolment_id, sha256, bytes, uses)
    select enrolment_id, sha256, max(bytes), count(*) from fresh where form <> 'FOLDER' group by enrolment_id, sha256 order by sha256
    on conflict (enrolment_id, sha256) do update set uses = held_content.uses + excluded.uses;
    return null;
end $$;

create function held_less_of_whole() returns trigger language plpgsql as $$
begin
    update held_content c set uses = c.uses - o.uses
    from (select enrolment_id, sha256, count(*) as uses from gone where form <> 'FOLDER' group by enrolment_id, sha256) o
    where c.enrolment_id = o.enrolment_id and c.sha256 = o.sha256;
    delete from held_content c using (select distinct enrolment_id, sha256 from gone where form <> 'FOLDER') o
    where c.enrolment_id = o.enrolment_id and c.sha256 = o.sha256 and c.uses <= 0;
    return null;
end $$;

create function held_counted_more() returns trigger language plpgsql as $$
begin
    insert into held_bytes (enrolment_id, bytes) select enrolment_id, sum(bytes) from fresh group by enrolment_id order by enrolment_id
    on conflict (enrolment_id) do update set bytes = held_bytes.bytes + excluded.bytes;
    return null;
end $$;

create function held_counted_less() returns trigger language plpgsql as $$
begin
    update held_bytes b set bytes = b.bytes - o.bytes
    from (select enrolment_id, sum(bytes) as bytes from gone group by enrolment_id) o where b.enrolment_id = o.enrolment_id;
    return null;
end $$;

create trigger held_file_more after insert on hand_in_file referencing new table as fresh for each statement execute function held_more();
create trigger held_file_less after delete on hand_in_file referencing old table as gone for each statement execute function held_less();
create trigger held_whole_more after insert on hand_in referencing new table as fresh for each statement execute function held_more_of_whole();
create trigger held_whole_less after delete on hand_in referencing old table as gone for each statement execute function held_less_of_whole();
create trigger held_more after insert on held_content referencing new table as fresh for each statement execute function held_counted_more();
create trigger held_less after delete on held_content referencing old table as gone for each statement execute function held_counted_less();

-- The contents that kits and plans name by their hashes: starter files and pictures of steps, wherever in the document they stand.
create table kit_content (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment on delete cascade,
    sha256 char(64) not null,
    kit_version_id bigint references kit_version on delete cascade,
    kit_draft_id bigint references kit_draft on delete cascade
);
create index kit_content_by_sha256 on kit_content (sha256);
create index kit_content_by_assignment_id on kit_content (assignment_id);
create index kit_content_by_kit_version_id on kit_content (kit_version_id);
create index kit_content_by_kit_draft_id on kit_content (kit_draft_id);

create function hashes_in(document bytea) returns setof text language sql immutable as $$
    select distinct found[1] from regexp_matches(lower(encode(document, 'escape')), '[0-9a-f]{64}', 'g') as found
$$;

create function kit_names_contents() returns trigger language plpgsql as $$
begin
    insert into kit_content (assignment_id, sha256, kit_version_id) select new.assignment_id, hash, new.id from hashes_in(new.document) hash;
    return null;
end $$;

create function draft_names_contents() returns trigger language plpgsql as $$
begin
    insert into kit_content (assignment_id, sha256, kit_draft_id) select new.assignment_id, hash, new.id from hashes_in(new.document) hash;
    return null;
end $$;

insert into kit_content (assignment_id, sha256, kit_version_id) select k.assignment_id, hash, k.id from kit_version k, hashes_in(k.document) hash;
insert into kit_content (assignment_id, sha256, kit_draft_id) select d.assignment_id, hash, d.id from kit_draft d, hashes_in(d.document) hash;
create trigger kit_names_contents after insert on kit_version for each row execute function kit_names_contents();
create trigger draft_names_contents after insert on kit_draft for each row execute function draft_names_contents();

-- Who carries on an import, so that another does when they are gone.
alter table intake add column claimed_by varchar(36);
create index intake_running on intake (heartbeat) where state = 'RUNNING';

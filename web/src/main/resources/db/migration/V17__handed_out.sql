-- A kit that an instructor fetched for one student was handed out; only what the student fetched was collected.
alter table collection add column handed_out boolean not null default false;

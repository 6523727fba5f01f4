-- What a student says they did, of what the kit asks everybody to do once. A step is known by what it says: one that says something
-- else later is another step.
create table step_confirmation (
    id bigint generated always as identity primary key,
    assignment_id bigint not null references assignment on delete cascade,
    enrolment_id bigint not null references enrolment on delete cascade,
    step char(64) not null,
    confirmed_at timestamp with time zone not null,
    unique (assignment_id, enrolment_id, step)
);

-- Mail on its way. A mail is marked before it is given away, so that it is never sent twice: what may have gone and may not is told as that.
create table mail (
    id bigint generated always as identity primary key,
    -- What it is; there is one of each.
    sent_once varchar(120) not null unique,
    kind varchar(10) not null check (kind in ('SLIP', 'REMINDER')),
    assignment_id bigint not null references assignment on delete cascade,
    enrolment_id bigint not null references enrolment on delete cascade,
    hand_in_id bigint references hand_in on delete set null,
    address varchar(254) not null,
    subject varchar(300) not null,
    body text not null,
    state varchar(10) not null check (state in ('QUEUED', 'SENDING', 'SENT', 'FAILED', 'UNSURE', 'CANCELLED')),
    tries integer not null default 0,
    trouble varchar(20),
    queued_at timestamp with time zone not null,
    queued_by bigint references account on delete set null,
    not_before timestamp with time zone not null,
    claimed_at timestamp with time zone,
    sent_at timestamp with time zone
);
create index mail_waiting on mail (not_before) where state in ('QUEUED', 'SENDING');
create index mail_enrolment on mail (enrolment_id, assignment_id);

-- What goes back to a student about a hand-in: built from the findings as they count, with what somebody changed in it.
create table slip (
    id bigint generated always as identity primary key,
    hand_in_id bigint not null references hand_in on delete cascade,
    greeting varchar(4000),
    closing varchar(4000),
    -- Texts of findings that were changed, by their keys; an empty one is left out.
    texts text not null default '{}',
    changed_at timestamp with time zone not null,
    changed_by bigint references account on delete set null,
    sent_at timestamp with time zone,
    sent_by bigint references account on delete set null,
    sent_text text,
    mail_id bigint references mail on delete set null
);
create unique index slip_open on slip (hand_in_id) where sent_at is null;
create index slip_hand_in on slip (hand_in_id, sent_at);

-- Keys of this installation, made when they are first needed.
create table secret (
    name varchar(40) primary key,
    value bytea not null
);

-- Which hand-ins are graded, ticked off by whoever grades; the log knows what was downloaded.
create table graded (
    hand_in_id bigint primary key references hand_in on delete cascade,
    graded_by bigint not null references account,
    graded_at timestamp with time zone not null
);
create index audit_downloaded on audit (assignment_id, account_id, hand_in_id, at) where what = 'DOWNLOADED';

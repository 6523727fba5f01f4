-- Accounts whose owners choose their passwords, by links that work once; whose account is whose by whole addresses.
alter table account
    alter column password_hash drop not null,
    add column email varchar(254),
    add column made_for bigint references course;
create unique index account_email on account (email);
create table sign_in_link (
    id bigint generated always as identity primary key,
    account_id bigint not null references account on delete cascade,
    token_hash char(64) not null unique,
    made_at timestamp with time zone not null,
    expires_at timestamp with time zone not null
);
create index sign_in_link_account on sign_in_link (account_id);

-- Numbers of other systems and names of classes are longer than we thought.
alter table enrolment alter column student_number type varchar(64), alter column section type varchar(60);

-- A course has owners, who alone change owners. Whoever planned a course until now owned it.
alter table course_instructor drop constraint course_instructor_role_check;
update course_instructor set role = 'OWNER' where role = 'INSTRUCTOR';
alter table course_instructor add constraint course_instructor_role_check check (role in ('OWNER', 'INSTRUCTOR', 'ASSISTANT'));

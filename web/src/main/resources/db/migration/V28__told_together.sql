-- How many things a report, a letter and the student's first page say that must be fixed: findings with one cause are one of them.
alter table hand_in add column must_told integer not null default 0;

update hand_in set must_told = must, judged = false where must > 0;

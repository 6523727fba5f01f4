-- The language pages are shown in: a person's own choice, else that of a course, else what the browser asks for.
alter table account add column language varchar(8);
alter table course add column language varchar(8);

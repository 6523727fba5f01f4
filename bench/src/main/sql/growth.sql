-- A school of years beside the demo: 5,000 students with 200 hand-ins each, a file of each, and five lines of the log for each.
begin;
insert into course (code, title) values ('GROWN', 'Years of it');
insert into course_instructor (course_id, account_id, role) select c.id, a.id, 'OWNER' from course c, account a where c.code = 'GROWN' and a.login = 'quillfeather';
insert into account (login, display_name, role) select 'grown.' || i, 'Grown ' || i, 'STUDENT' from generate_series(1, 5000) i;
insert into enrolment (course_id, account_id, last_name, first_name, student_number, section)
  select c.id, a.id, 'Grown' || substr(a.login, 7), 'Sam', substr(a.login, 7), 'S' || (a.id % 20) from course c, account a where c.code = 'GROWN' and a.login like 'grown.%';
insert into assignment (course_id, code, title, due_at) select c.id, 'G' || i, 'Grown ' || i, now() - i * interval '20 days' from course c, generate_series(1, 20) i where c.code = 'GROWN';
insert into kit_version (assignment_id, version, document, sha256, published_at, published_by)
  select b.id, 1, k.document, k.sha256, now(), k.published_by from assignment b join course c on c.id = b.course_id, kit_version k join assignment m on m.id = k.assignment_id
  where c.code = 'GROWN' and m.title = 'Night Market Ident' and k.version = 1;
create temporary table sample as select h.* from hand_in h join assignment m on m.id = h.assignment_id
  where m.title = 'Night Market Ident' and h.kind = 'HAND_IN' and h.state = 'DONE' and h.verdict = 'fix' limit 1;
-- What is counted for each student is counted as it comes.
insert into hand_in (assignment_id, enrolment_id, number, file_name, sha256, bytes, received_at, kit_version_id, state, checked_at, verdict, must, should, note, mark_counts, seam, links, report,
    queued_at, not_before, digest, kind, form, counts_since, doubts, judged, points, points_of, part_points,
    finding_codes, finding_counts)
  select b.id, e.id, n.n, 'a.zip', md5('l' || e.id || '-' || b.id || '-' || n.n) || md5('r' || n.n), 100000, b.due_at - n.n * interval '1 hour', k.id, 'DONE', b.due_at, 'fix', 4, 3, 3, s.mark_counts,
    s.seam, 6, ''::bytea, now(), now(), ''::bytea, 'HAND_IN', 'FOLDER', b.due_at - n.n * interval '1 hour', 0, true, 9.5, 20, '{4, 0, 3.5, 2}', '{link.missing}', '{4}'
  from assignment b join course c on c.id = b.course_id join enrolment e on e.course_id = c.id join kit_version k on k.assignment_id = b.id cross join generate_series(1, 10) n(n) cross join sample s
  where c.code = 'GROWN';
insert into hand_in_file (hand_in_id, sha256, bytes, enrolment_id)
  select h.id, md5('a' || h.id) || md5('b' || h.id), 50000, h.enrolment_id from hand_in h join assignment b on b.id = h.assignment_id join course c on c.id = b.course_id where c.code = 'GROWN';
insert into stored_content (sha256, bytes, purpose, course_id, stored_by, stored_at)
  select f.sha256, f.bytes, 'HAND_IN', e.course_id, e.account_id, now() - interval '30 days' from hand_in_file f join enrolment e on e.id = f.enrolment_id join course c on c.id = e.course_id where c.code = 'GROWN';
insert into audit (at, account_id, assignment_id, enrolment_id, hand_in_id, what)
  select h.received_at, t.id, h.assignment_id, h.enrolment_id, h.id, case when n.n = 1 then 'SAW' else 'DOWNLOADED' end
  from hand_in h join assignment b on b.id = h.assignment_id join course c on c.id = b.course_id cross join generate_series(1, 5) n(n) cross join (select id from account where login = 'quillfeather') t where c.code = 'GROWN';
commit;
vacuum analyze;

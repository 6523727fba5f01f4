-- A class of 200 with 20 hand-ins each and 100 findings a hand-in, beside the demo: what is checked is a copy of what the demo's students handed in.
begin;
insert into course (code, title) values ('BENCH 200', 'A large class');
insert into course_instructor (course_id, account_id, role) select c.id, a.id, 'OWNER' from course c, account a where c.code = 'BENCH 200' and a.login = 'quillfeather';
insert into account (login, display_name, role) select 'bench.' || i, 'Bench Student ' || i, 'STUDENT' from generate_series(1, 199) i;
insert into enrolment (course_id, account_id, last_name, first_name, student_number, section)
  select c.id, a.id, 'Student' || substr(a.login, 7), 'Bench', substr(a.login, 7), 'S' || (a.id % 7 + 1) from course c, account a where c.code = 'BENCH 200' and a.login like 'bench.%'
  union all select c.id, a.id, 'Marsh', 'Ottoline', '261000', 'S1' from course c, account a where c.code = 'BENCH 200' and a.login = 'ottoline.marsh';
insert into assignment (course_id, code, title, due_at) select id, 'B1', 'Large', now() + interval '9 days' from course where code = 'BENCH 200';
insert into kit_version (assignment_id, version, document, sha256, published_at, published_by)
  select b.id, 1, k.document, k.sha256, now(), k.published_by from assignment b join course c on c.id = b.course_id, kit_version k join assignment m on m.id = k.assignment_id
  where c.code = 'BENCH 200' and m.title = 'Night Market Ident' and k.version = 1;
create temporary table sample as select row_number() over (order by h.id) - 1 as n, h.* from hand_in h join assignment m on m.id = h.assignment_id
  where m.title = 'Night Market Ident' and h.kind = 'HAND_IN' and h.state = 'DONE' and h.verdict <> 'blocked';
insert into hand_in (assignment_id, enrolment_id, number, file_name, sha256, bytes, received_at, kit_version_id, state, checked_at, verdict, must, should, note, mark_counts, seam, links, report,
    queued_at, not_before, digest, kind, form, counts_since, doubts, judged, points, points_of, part_points,
    finding_codes, finding_counts)
  select b.id, e.id, n.n, s.file_name, s.sha256, s.bytes, now() - (21 - n.n) * interval '1 hour', k.id, 'DONE', now(), 'fix', 40, 30, 30, '{0, 0, 0, 5, 5, 0, 5, 5, 0, 20, 10, 10, 10, 5, 10, 0, 5, 5, 0, 0, 5, 0, 0, 0}',
    s.seam, s.links, s.report, now(), now(), s.digest, 'HAND_IN', 'ZIP', now() - (21 - n.n) * interval '1 hour', 0, true, 9.5, 20, '{4, 0, 3.5, 2}', '{link.missing, name.space, asset.unused}', '{40, 30, 30}'
  from assignment b join course c on c.id = b.course_id join enrolment e on e.course_id = c.id join kit_version k on k.assignment_id = b.id cross join generate_series(1, 20) n(n)
  join sample s on s.n = (e.id + n.n) % (select count(*) from sample) where c.code = 'BENCH 200';
insert into hand_in_finding (hand_in_id, ordinal, code, severity, theme, subject)
  select h.id, f.n, case when f.n < 40 then 'link.missing' when f.n < 70 then 'name.space' else 'asset.unused' end, case when f.n < 40 then 'must' when f.n < 70 then 'should' else 'note' end,
    case when f.n < 40 then 'link.missing' when f.n < 70 then 'name.space' else 'asset.unused' end, case when f.n < 40 then 'clip' || f.n || '.mp4' else '' end
  from hand_in h join assignment b on b.id = h.assignment_id join course c on c.id = b.course_id cross join generate_series(0, 99) f(n) where c.code = 'BENCH 200';
commit;
analyze;

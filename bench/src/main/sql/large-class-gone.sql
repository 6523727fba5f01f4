-- Everything of the large class, and nothing else.
begin;
create temporary table bench_assignment as select a.id from assignment a join course c on c.id = a.course_id where c.code = 'BENCH 200';
delete from hand_in where assignment_id in (select id from bench_assignment);
delete from kit_version where assignment_id in (select id from bench_assignment);
delete from looked where assignment_id in (select id from bench_assignment);
delete from assignment where id in (select id from bench_assignment);
delete from enrolment where course_id in (select id from course where code = 'BENCH 200');
delete from course_instructor where course_id in (select id from course where code = 'BENCH 200');
delete from course where code = 'BENCH 200';
delete from account where login like 'bench.%';
commit;

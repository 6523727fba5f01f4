-- What was glued together in texts becomes columns of many values.
alter table hand_in
    -- Of package, structure, names, links, assets, media, timeline and location in turn, how much must and should be fixed, and is noted.
    add column mark_counts integer[] not null default '{}',
    add column part_points numeric[] not null default '{}',
    -- The codes of its findings, the most serious first, with how many there are of each.
    add column finding_codes text[] not null default '{}',
    add column finding_counts integer[] not null default '{}';

update hand_in set
    mark_counts = case when marks = '' then '{}' else string_to_array(replace(marks, ';', ','), ',')::integer[] end,
    part_points = case when points_parts = '' then '{}' else string_to_array(points_parts, ';')::numeric[] end,
    finding_codes = case when codes = '' then '{}' else string_to_array(regexp_replace(codes, ':[0-9]+', '', 'g'), ';') end,
    finding_counts = case when codes = '' then '{}' else string_to_array(regexp_replace(codes, '[^:;]+:', '', 'g'), ';')::integer[] end
where marks <> '' or points_parts <> '' or codes <> '';

-- Hand-ins that were checked before media and timelines had marks of their own have those of five families.
update hand_in set mark_counts = array[0, 0, 0] || mark_counts[1:12] || array[0, 0, 0, 0, 0, 0] || mark_counts[13:15]
where cardinality(mark_counts) = 15;

alter table hand_in drop column marks, drop column points_parts, drop column codes;

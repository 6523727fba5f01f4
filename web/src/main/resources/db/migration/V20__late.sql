-- That a hand-in came too late is a finding now: those that did are judged again when their board is next looked at.
update hand_in h set judged = false from assignment a
where a.id = h.assignment_id and h.judged and h.digest is not null and h.kind = 'HAND_IN' and h.received_at > a.due_at;

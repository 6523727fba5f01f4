-- Nearly everything is judged: what is not is found without looking at all that was ever handed in.
create index hand_in_unjudged on hand_in (assignment_id) where not judged;

-- What a line of the log says beside its deed, as facts that are told in the language of who reads them; lines from before keep their sentence.
alter table audit add column facts text;

-- Links of documents in formats that nobody described, which look broken: ready is then ready with doubts.
alter table hand_in add column doubts integer not null default 0;

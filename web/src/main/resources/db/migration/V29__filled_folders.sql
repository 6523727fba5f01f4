-- Which of the plan's topmost folders hold files, so that a class is drawn without reading its reports. Those from before are judged anew.
alter table hand_in add column folders text[] not null default '{}';

update hand_in set judged = false where state = 'DONE' and digest is not null and counts_since is not null;

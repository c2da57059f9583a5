-- Whose run it is where a group trains on one clock; null where one person trains alone.
alter table run add column group_id uuid null;
alter table run add index run_group (group_id, status);
-- each of a group has a check-in and verdicts of their own
create index check_in_by_run on check_in (run_id);
alter table check_in drop index run_id, add unique (run_id, client_id);
create index verdict_by_run on family_verdict (run_id);
alter table family_verdict drop index run_id, add unique (run_id, client_id, family_id);
-- what was felt after the session; null where it was not asked
alter table run_person add column symptom varchar(20) null;

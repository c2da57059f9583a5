-- why a verdict was reckoned anew after it had been reached; null where it was not
alter table family_verdict add column again varchar(120) null;
-- which of the changes offered was taken; null while undecided and in what was decided before
alter table family_verdict add column taken varchar(20) null;
-- how long one of a run was in it; null where it is that of the run
alter table run_person add column minutes int null;
-- the newest of each family and movement are read off an index, however long the history
create index set_by_family_day on run_set (client_id, family_id, on_date, studio_id);
alter table run_set drop index set_by_family;
create index set_by_movement on run_set (client_id, movement_id, on_date, grams, studio_id);
create index verdict_by_family_day on family_verdict (client_id, family_id, on_date, created_at, studio_id);
create index verdict_by_day on family_verdict (client_id, on_date);
create index verdict_by_state on family_verdict (client_id, status, decided, verdict);

-- what is worked out for a client is good while their stamp stands; a studio's own stands for what its clients share
create table client_stamp (
  client_id uuid primary key, studio_id uuid not null, stamp bigint not null,
  index stamp_by_studio (studio_id, client_id, stamp)
);
-- stops are few: found without reading the runs they are in
create index run_event_stops on run_event (studio_id, kind, person_id);
-- the first and the newest session of everybody, read off an index
create index person_by_studio on run_person (studio_id, client_id, on_date);
-- whose words after are not on file
create index person_unclosed on run_person (studio_id, effort_after);
-- runs that are not ended, and when they were last heard of
create index run_open on run (studio_id, status, heard_at);
-- the newest of each are found by going from one to the next, not by reading the years; what has
-- no weight, and leaves no standing, stands apart
alter table run_set add column weighted_id varchar(80) generated always as (if(grams is null, null, movement_id)) virtual;
create index set_by_weight on run_set (studio_id, client_id, weighted_id, on_date);
create index set_by_family on run_set (studio_id, client_id, family_id, on_date);
drop index set_by_movement on run_set;
alter table family_verdict add column leaves_id varchar(40) generated always as (if(outcome is null, null, family_id)) virtual;
create index verdict_leaves on family_verdict (studio_id, client_id, leaves_id, on_date);
create index verdict_newest on family_verdict (studio_id, client_id, family_id, on_date);
-- stops are few
create index verdict_decided on family_verdict (studio_id, decided, status);
create index verdict_stops on family_verdict (studio_id, verdict, status);
create index check_leaving on today_check (client_id, leaves);
-- an emergency sign stands in the answer
alter table check_in add column emergency bit not null default 0;
update check_in set emergency = 1 where answer like '%"EMERGENCY"%';
create index check_in_emergency on check_in (studio_id, emergency);

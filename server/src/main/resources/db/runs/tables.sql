create table if not exists run (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  plan_id uuid not null, plan_name varchar(120) not null, on_date date not null, status varchar(20) not null,
  sheet longtext not null, minutes int, heard_at datetime(6) not null, left_open boolean not null default false,
  index run_by_studio (studio_id, on_date)
);
create table if not exists run_person (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  run_id uuid not null, client_id uuid not null, on_date date not null, check_id uuid, reason varchar(400),
  pain_before int, dose varchar(20), picked varchar(20), told longtext not null, effort_cap int, effort_after int, feel varchar(20), note varchar(400),
  constraint person_run foreign key (run_id) references run (id),
  constraint person_client foreign key (client_id) references client (id),
  constraint person_check foreign key (check_id) references today_check (id),
  unique (run_id, client_id), index person_by_client (client_id, on_date)
);
create table if not exists run_event (
  id uuid primary key, studio_id uuid not null, run_id uuid not null, person_id uuid, device varchar(40) not null,
  at_ms bigint not null, seq int not null, kind varchar(20) not null, body longtext not null, sent char(64),
  received_at datetime(6) not null,
  constraint run_event_run foreign key (run_id) references run (id),
  index run_event_by_run (run_id), index run_event_by_kind (run_id, kind)
);
create table if not exists run_set (
  id uuid primary key, studio_id uuid not null, run_id uuid not null, client_id uuid not null, on_date date not null,
  family_id varchar(80) not null, movement_id varchar(80) not null, slot_key varchar(120) not null, round int not null,
  side varchar(10) not null, place int not null, effort int, pain int, reps int, grams int, body longtext not null,
  constraint set_run foreign key (run_id) references run (id),
  constraint set_client foreign key (client_id) references client (id),
  unique (run_id, client_id, slot_key, round, side), index set_by_family (client_id, family_id, on_date)
);

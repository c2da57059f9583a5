alter table session_plan add tags varchar(600) not null default '[]', add note varchar(400), add archived_on date;
create table plan_version (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  plan_id uuid not null, number int not null, name varchar(120) not null, body longtext not null, changed_by varchar(120) not null,
  constraint version_plan foreign key (plan_id) references session_plan (id), unique (plan_id, number)
);
create table day_plan (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, plan_id uuid not null, from_date date not null, until_date date,
  constraint day_plan_client foreign key (client_id) references client (id),
  constraint day_plan_plan foreign key (plan_id) references session_plan (id)
);
create index day_plan_by_client on day_plan (client_id);
create table day_tick (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, plan_id uuid not null, slot_key varchar(60) not null, on_date date not null, number int not null,
  movement varchar(160) not null,
  constraint tick_client foreign key (client_id) references client (id),
  constraint tick_plan foreign key (plan_id) references session_plan (id),
  unique (client_id, plan_id, slot_key, on_date, number)
);
create table training_group (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  name varchar(120) not null, room_id uuid, plan_id uuid, lanes int not null, weekday int, at_time time, archived_on date,
  constraint group_studio foreign key (studio_id) references studio (id),
  constraint group_room foreign key (room_id) references room (id),
  constraint group_plan foreign key (plan_id) references session_plan (id)
);
create table group_member (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  group_id uuid not null, client_id uuid not null,
  constraint member_group foreign key (group_id) references training_group (id),
  constraint member_client foreign key (client_id) references client (id), unique (group_id, client_id)
);
create table group_session (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  group_id uuid not null, on_date date not null, body longtext not null,
  constraint session_group foreign key (group_id) references training_group (id), unique (group_id, on_date)
);

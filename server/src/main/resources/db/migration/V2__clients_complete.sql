alter table studio add mass_unit varchar(10) not null default 'KG', add glucose_unit varchar(10) not null default 'MMOL';
alter table screening add question_set int not null default 1;
create table screening_draft (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null unique, answers longtext not null, changed_at datetime(6) not null, changed_by varchar(120) not null,
  constraint draft_client foreign key (client_id) references client (id)
);
create table attachment (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, name varchar(160) not null, type varchar(40) not null, size int not null, sha256 varchar(64) not null,
  constraint attachment_client foreign key (client_id) references client (id)
);
create table attachment_content (
  id uuid primary key, studio_id uuid not null, content longblob not null,
  constraint content_attachment foreign key (id) references attachment (id)
);
alter table client_limit add attachment_id uuid, add clearance_id uuid,
  add constraint limit_attachment foreign key (attachment_id) references attachment (id);
alter table clearance add attachment_id uuid,
  add constraint clearance_attachment foreign key (attachment_id) references attachment (id);
create table happened (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, kind varchar(20) not null, on_date date not null, note varchar(400), recorded_by varchar(120) not null,
  constraint happened_client foreign key (client_id) references client (id)
);
create table today_check (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, on_date date not null, given longtext not null, result longtext not null, outcome varchar(20) not null,
  constraint check_client foreign key (client_id) references client (id)
);
create index check_by_client on today_check (client_id, on_date);
create table room (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  name varchar(120) not null, client_id uuid, body longtext not null,
  constraint room_studio foreign key (studio_id) references studio (id), constraint room_client foreign key (client_id) references client (id)
);
alter table client add record longtext not null default '{}', add room_id uuid, add archived_on date,
  add constraint client_room foreign key (room_id) references room (id);
alter table run add check_id uuid, add constraint run_check foreign key (check_id) references today_check (id);
alter table audit_entry add client_id uuid;
create index audit_by_client on audit_entry (client_id, at);

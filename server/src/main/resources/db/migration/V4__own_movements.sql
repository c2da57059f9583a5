create table own_movement (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  movement_id varchar(40) not null, document longtext not null, changed_at datetime(6) not null, retired_on date,
  constraint own_movement_studio foreign key (studio_id) references studio (id), unique (studio_id, movement_id)
);
create table adapted_mark (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, plan_id uuid not null, on_date date not null, body longtext not null,
  constraint mark_client foreign key (client_id) references client (id),
  constraint mark_plan foreign key (plan_id) references session_plan (id), unique (client_id, plan_id, on_date)
);

-- A weight the professional set for a slot of a client's plan, for one day or from then on.
create table set_weight (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, plan_id uuid not null, slot_key varchar(40) not null, movement_id varchar(60) not null,
  grams int not null, on_date date not null, today boolean not null, reason varchar(400),
  constraint set_weight_client foreign key (client_id) references client (id),
  constraint set_weight_plan foreign key (plan_id) references session_plan (id),
  unique (client_id, plan_id, slot_key)
);

-- ways to the floor and up that the professional has seen go well
create table floor_way (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, way varchar(20) not null, seen_on date not null, help varchar(200) not null,
  recorded_by varchar(120) not null, withdrawn_on date, withdrawn_by varchar(120),
  constraint floor_way_client foreign key (client_id) references client (id)
);
create index floor_way_by_client on floor_way (client_id);
-- the wish to stay up once up from the floor
create table floor_wish (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, once_up boolean not null, constraint floor_wish_client foreign key (client_id) references client (id),
  unique (client_id)
);

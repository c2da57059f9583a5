create table stop_withdrawal (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, run_id uuid not null, event_id uuid not null unique, on_date date not null,
  withdrawn_by varchar(120) not null, reason varchar(400) not null,
  constraint withdrawal_run foreign key (run_id) references run (id)
);
create index withdrawal_by_client on stop_withdrawal (client_id);

-- A second screen for the clients of a run, opened by a short code. Only the hash of the code is here;
-- read before the studio is known.
create table run_screen (
  code_hash char(64) primary key, studio_id uuid not null, run_id uuid not null, opens_until datetime(6) not null,
  constraint run_screen_run foreign key (run_id) references run (id) on delete cascade,
  unique (run_id)
);

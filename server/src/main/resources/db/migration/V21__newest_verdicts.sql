-- the newest verdict of each family, the newest that leaves a standing, and what was taken after each
-- session are read off indexes, without the verdicts themselves
alter table family_verdict
  drop index verdict_newest,
  add index verdict_newest (studio_id, client_id, family_id, on_date, leaves_id),
  drop index verdict_by_day,
  add index verdict_by_day (studio_id, client_id, on_date, family_id, leaves_id, taken, run_id),
  -- how many wait of each client
  drop index verdict_by_status,
  add index verdict_by_status (studio_id, status, client_id, verdict, created_at);

-- the mornings of a client by date
alter table check_in
  drop index check_in_by_client,
  add index check_in_by_client (client_id, opens_on);

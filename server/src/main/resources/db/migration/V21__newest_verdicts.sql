-- the newest verdict of each family and the newest that leaves a standing are read off one index
alter table family_verdict
  drop index verdict_newest,
  add index verdict_newest (studio_id, client_id, family_id, on_date, leaves_id),
  -- how many wait of each client, without the verdicts themselves
  drop index verdict_by_status,
  add index verdict_by_status (studio_id, status, client_id, verdict, created_at);

alter table family_verdict add column ended_by varchar(160), add column ended_on date, add column ended_reason varchar(400);

-- what a later run has overtaken asks for nothing any more; a stop is never overtaken
update family_verdict v set v.status = 'SUPERSEDED'
where v.status = 'WAITING' and v.verdict <> 'STOP_AND_REFER' and exists (
  select 1 from (select family_id, client_id, on_date, created_at, id from family_verdict) n
  where n.client_id = v.client_id and n.family_id = v.family_id and n.id <> v.id
    and (n.on_date > v.on_date or n.on_date = v.on_date and n.created_at > v.created_at));

-- a STAY needs no decision: it is settled as of its run, and leaves what stood before
update family_verdict set status = 'SETTLED', decided = 'STAY', decided_on = on_date, decided_by = 'settled by itself'
where status = 'WAITING' and verdict = 'STAY';

-- what is asked for daily is found without reading all of it
create index check_in_by_client on check_in (client_id);
create index check_in_unanswered on check_in (studio_id, answered_at, opens_on);
create index verdict_by_status on family_verdict (studio_id, status);
create index message_by_run on outbox_message (run_id);
-- a sign that is everybody's is withdrawn for each of them
create index withdrawal_by_event on stop_withdrawal (event_id);
alter table stop_withdrawal drop index event_id, add unique (event_id, client_id);

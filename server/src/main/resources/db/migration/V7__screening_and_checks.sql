-- the words under a screening may name who signed and on whose behalf
alter table screening modify signed_client varchar(400) not null;

-- what a check leaves behind for the days after, and a check said to have been a mistaken tap
alter table today_check
  add column leaves varchar(20), add column withdrawn_on date,
  add column withdrawn_by varchar(120), add column withdrawn_reason varchar(400);

-- shown on papers
alter table studio add column phone varchar(60);

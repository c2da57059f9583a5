-- a check-in is asked the next day, and where wanted again at 72 h
alter table check_in add column kind varchar(12) not null default 'NEXT_DAY';
alter table check_in drop index run_id, add unique check_in_once (run_id, client_id, kind);
-- how the answer came: LINK, PHONE, DOOR; who asked, null where the client told it by the link
alter table check_in add column told_how varchar(12) null;
alter table check_in add column asked_by varchar(120) null;
-- when it was changed within the hour; null where it was not
alter table check_in add column changed_at datetime(6) null;
-- an emergency sign told in error: whose word, and why; null while it stands
alter table check_in add column error_by varchar(120) null;
alter table check_in add column error_reason varchar(400) null;
update check_in set told_how = 'LINK' where answered_at is not null;
create index check_in_answered on check_in (studio_id, answered_at, client_id);
-- the professional wants a second check-in at 72 h
alter table client add column second_check_in bit not null default 0;
-- what the verdict was before the morning was told; null where the morning changed nothing
alter table family_verdict add column before_morning varchar(20) null;
-- what happened beside the sessions and is not known elsewhere
create table diary_entry (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, kind varchar(12) not null, on_date date not null, until_date date null, words varchar(400) null, told_by varchar(120) not null,
  constraint diary_client foreign key (client_id) references client (id)
);
create index diary_by_client on diary_entry (client_id, on_date);
-- a client's review: what was found is kept as it was on the day it closed
create table review (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, from_date date not null, on_date date not null, asked bit not null, opened_by varchar(120) not null,
  closed_on date null, closed_by varchar(120) null, words varchar(1000) null, facts longtext null, points longtext not null,
  constraint review_client foreign key (client_id) references client (id)
);
create index review_by_client on review (client_id, on_date);

create table studio (
  id uuid primary key, name varchar(120) not null, zone varchar(60) not null,
  emergency_number varchar(40) not null, created_at datetime(6) not null
);
create table account (
  id uuid primary key, studio_id uuid not null, email varchar(190) not null unique, name varchar(120) not null,
  password_hash varchar(255) not null, constraint account_studio foreign key (studio_id) references studio (id)
);
create table client (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  name varchar(120) not null, birth_date date not null, email varchar(190), goal varchar(400), facts varchar(400),
  mobility varchar(20) not null, school varchar(20) not null, school_by varchar(200), usual_pain int not null,
  goal_effort int not null, no_progression boolean not null, kit longtext not null,
  constraint client_studio foreign key (studio_id) references studio (id)
);
create index client_by_studio on client (studio_id, name);
create table screening (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, number int not null, taken_on date not null, answers longtext not null, assessment longtext not null,
  signed_client varchar(120) not null, signed_professional varchar(120) not null,
  constraint screening_client foreign key (client_id) references client (id), unique (client_id, number)
);
create table proposal_decision (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  screening_id uuid not null, proposal_key varchar(160) not null, decision varchar(20) not null, reason varchar(400), limit_id uuid,
  constraint decision_screening foreign key (screening_id) references screening (id), unique (screening_id, proposal_key)
);
create table client_limit (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, axis varchar(60) not null, side varchar(10) not null, cap int not null, strength varchar(10) not null,
  source varchar(200) not null, why varchar(400), from_date date not null, until_date date, review_date date,
  lifted_from date, lifted_reason varchar(400), replaces uuid,
  constraint limit_client foreign key (client_id) references client (id)
);
create index limit_by_client on client_limit (client_id);
create table clearance (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, role varchar(40) not null, name varchar(120) not null, given_on date not null, valid_until date not null,
  covers longtext not null, note varchar(400), constraint clearance_client foreign key (client_id) references client (id)
);
create table session_plan (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  name varchar(120) not null, body longtext not null, constraint plan_studio foreign key (studio_id) references studio (id)
);
create table pinned_choice (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, plan_id uuid not null, slot_key varchar(40) not null, parts longtext not null,
  overridden longtext not null, reason varchar(400),
  constraint pin_client foreign key (client_id) references client (id), constraint pin_plan foreign key (plan_id) references session_plan (id),
  unique (client_id, plan_id, slot_key)
);
create table appointment (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, plan_id uuid not null, on_date date not null, at_time time not null,
  constraint appointment_client foreign key (client_id) references client (id),
  constraint appointment_plan foreign key (plan_id) references session_plan (id)
);
create index appointment_by_day on appointment (studio_id, on_date);
create table run (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, plan_id uuid not null, plan_name varchar(120) not null, on_date date not null, status varchar(20) not null,
  adapted longtext not null, today longtext not null, reason varchar(400), effort_after int, feel varchar(20), note varchar(400), minutes int,
  reviewed boolean not null, constraint run_client foreign key (client_id) references client (id)
);
create index run_by_client on run (client_id, on_date);
create table run_event (
  id uuid primary key, studio_id uuid not null, run_id uuid not null, at_ms bigint not null, seq int not null,
  kind varchar(20) not null, body longtext not null, received_at datetime(6) not null,
  constraint event_run foreign key (run_id) references run (id)
);
create index event_by_run on run_event (run_id);
create table check_in (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, run_id uuid not null unique, opens_on date not null, expires_on date not null,
  answered_at datetime(6), answer longtext, constraint check_in_run foreign key (run_id) references run (id)
);
create table check_in_token (
  token_hash varchar(64) primary key, studio_id uuid not null, check_in_id uuid not null,
  constraint token_check_in foreign key (check_in_id) references check_in (id)
);
create table outbox_message (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, run_id uuid, recipient varchar(190) not null, subject varchar(200) not null, body longtext not null, link varchar(400),
  constraint outbox_client foreign key (client_id) references client (id)
);
create table family_verdict (
  id uuid primary key, studio_id uuid not null, version bigint not null, created_at datetime(6) not null,
  client_id uuid not null, run_id uuid not null, family_id varchar(40) not null, on_date date not null, asked_id varchar(40) not null,
  judgement longtext not null, verdict varchar(20) not null, status varchar(20) not null, decided varchar(20), reason varchar(400),
  decided_on date, decided_by varchar(120), outcome longtext,
  constraint verdict_run foreign key (run_id) references run (id), unique (run_id, family_id)
);
create index verdict_by_client on family_verdict (client_id, family_id);
create table audit_entry (
  id uuid primary key, studio_id uuid not null, at datetime(6) not null, who varchar(120) not null, action varchar(60) not null,
  subject varchar(60) not null, subject_id uuid not null, detail varchar(1000)
);
create index audit_by_studio on audit_entry (studio_id, at);

create table SPRING_SESSION (
  PRIMARY_ID char(36) not null, SESSION_ID char(36) not null, CREATION_TIME bigint not null, LAST_ACCESS_TIME bigint not null,
  MAX_INACTIVE_INTERVAL int not null, EXPIRY_TIME bigint not null, PRINCIPAL_NAME varchar(100),
  primary key (PRIMARY_ID)
) engine=InnoDB row_format=dynamic;
create unique index SPRING_SESSION_IX1 on SPRING_SESSION (SESSION_ID);
create index SPRING_SESSION_IX2 on SPRING_SESSION (EXPIRY_TIME);
create index SPRING_SESSION_IX3 on SPRING_SESSION (PRINCIPAL_NAME);
create table SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID char(36) not null, ATTRIBUTE_NAME varchar(200) not null, ATTRIBUTE_BYTES blob not null,
  primary key (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  constraint SPRING_SESSION_ATTRIBUTES_FK foreign key (SESSION_PRIMARY_ID) references SPRING_SESSION (PRIMARY_ID) on delete cascade
) engine=InnoDB row_format=dynamic;

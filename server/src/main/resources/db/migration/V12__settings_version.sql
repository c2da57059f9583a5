-- Settings are changed on a version, as everything else is.
alter table studio add version bigint not null default 0;

-- why a verdict was reckoned anew after it had been reached; null where it was not
alter table family_verdict add column again varchar(120) null;
-- which of the changes offered was taken; null while undecided and in what was decided before
alter table family_verdict add column taken varchar(20) null;

-- what the record says of things that are erased is found by them
alter table audit_entry add index audit_by_subject (subject_id);

-- the sets of a client over years are read off an index, in order, without their documents
create index set_lines on run_set (studio_id, client_id, on_date, place, run_id, family_id, movement_id, slot_key, round, side, grams, effort, pain);

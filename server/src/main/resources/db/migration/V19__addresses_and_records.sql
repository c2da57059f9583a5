-- an address is one account's byte for byte: an accent or a space at its end is another address
alter table account modify email varchar(190) character set utf8mb4 collate utf8mb4_nopad_bin not null;
update account set email = lower(email) where email regexp '^[ -~]+$';
-- the outbox is read page by page
create index message_by_studio on outbox_message (studio_id, created_at, id);

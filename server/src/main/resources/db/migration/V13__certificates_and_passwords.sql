-- The certificate that a person confirmed for a recorder by TLS, as its SHA-256; empty for none.
ALTER TABLE recorder ADD COLUMN certificate TEXT NOT NULL DEFAULT '';
-- A password on its way to the recorder. Until it was tried there, either of the two may be the right one.
ALTER TABLE recorder ADD COLUMN next_secret BLOB;
-- 1 once it may have reached the recorder; before that it is only meant to be given.
ALTER TABLE recorder ADD COLUMN next_sent INTEGER NOT NULL DEFAULT 0;

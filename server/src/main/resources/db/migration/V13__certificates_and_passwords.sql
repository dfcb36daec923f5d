-- The certificate that a person confirmed for a recorder by TLS, as its SHA-256; empty for none.
ALTER TABLE recorder ADD COLUMN certificate TEXT NOT NULL DEFAULT '';
-- A password on its way to the recorder. Until it was tried there, either of the two may be the right one.
ALTER TABLE recorder ADD COLUMN next_secret BLOB;

-- A camera keeps its row when its channel is no longer there; what the recorder said of it that was not understood.
ALTER TABLE camera ADD COLUMN gone_since TEXT;
ALTER TABLE camera ADD COLUMN notes TEXT;
-- What the firmware was before a change since which not everything was seen to be in tune.
ALTER TABLE recorder ADD COLUMN firmware_before TEXT;
-- What was wrong before at the same place, and was ended.
CREATE INDEX finding_by_matter ON finding (recorder, ifnull(channel, ''), matter, id);
CREATE INDEX recorder_by_serial ON recorder (serial) WHERE serial <> '';

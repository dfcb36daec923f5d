-- When everything was audited last is said on every look at the findings, however many recorders were audited alone since.
CREATE INDEX work_of_all ON work (kind, id) WHERE instr(task, '"selection":""') > 0;

-- By what age what is past its time is found, so that nobody goes through whole tables for it.
CREATE INDEX preview_by_age ON preview (created_at);
CREATE INDEX work_by_end ON work (ended_at) WHERE ended_at IS NOT NULL;
CREATE INDEX finding_by_return ON finding (returns) WHERE returns IS NOT NULL;
CREATE INDEX held_then_by_end ON held_then (until) WHERE until IS NOT NULL;

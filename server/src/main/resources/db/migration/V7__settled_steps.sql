-- What is known of a step beside its state: which of its settings were sent, and what a reading told of each.
ALTER TABLE rollout_step ADD COLUMN outcome TEXT;
CREATE INDEX rollout_step_by_recorder ON rollout_step (recorder, state);
CREATE INDEX rollout_step_by_camera ON rollout_step (camera);
-- A preview is given out once.
ALTER TABLE preview ADD COLUMN rollout INTEGER REFERENCES work(id);
ALTER TABLE work ADD COLUMN paused_by TEXT;

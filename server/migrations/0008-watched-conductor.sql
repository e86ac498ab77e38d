-- The conductor that a meter was left at while breakers were tried: in a box of two circuits, one of several lines.

ALTER TABLE breaker_tries
  ADD COLUMN IF NOT EXISTS end_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL AFTER place_id,
  ADD CONSTRAINT breaker_tries_end_id FOREIGN KEY IF NOT EXISTS (job_id, end_id) REFERENCES ends (job_id, id);

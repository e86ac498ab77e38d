-- Where lamps or a fan are isolated: a place whose control works nothing, but parts them from all poles.

ALTER TABLE loads
  ADD COLUMN IF NOT EXISTS isolated_at_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL AFTER long_hours,
  ADD CONSTRAINT loads_isolated_at_id FOREIGN KEY IF NOT EXISTS (job_id, isolated_at_id) REFERENCES places (job_id, id);

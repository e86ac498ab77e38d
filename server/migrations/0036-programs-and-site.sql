-- Where a house stands, and the programs its clocks keep.

ALTER TABLE jobs ADD COLUMN IF NOT EXISTS site JSON NULL AFTER back_feed;

CREATE TABLE IF NOT EXISTS programs (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  place_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  program JSON NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT programs_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT programs_place_id FOREIGN KEY (job_id, place_id) REFERENCES places (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

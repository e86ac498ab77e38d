-- Where the house stands, plans of rooms as their sensors see them, programs of what has a clock, and why a setting is
-- not what was worked out.

ALTER TABLE jobs
  ADD COLUMN IF NOT EXISTS town VARCHAR(80) NOT NULL DEFAULT '' AFTER back_feed,
  ADD COLUMN IF NOT EXISTS latitude DOUBLE NULL AFTER town,
  ADD COLUMN IF NOT EXISTS longitude DOUBLE NULL AFTER latitude,
  ADD COLUMN IF NOT EXISTS zone VARCHAR(60) NOT NULL DEFAULT '' AFTER longitude;

CREATE TABLE IF NOT EXISTS plans (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  room_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  plan JSON NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT plans_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT plans_room_id FOREIGN KEY (job_id, room_id) REFERENCES rooms (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

ALTER TABLE settings ADD COLUMN IF NOT EXISTS reason VARCHAR(400) NOT NULL DEFAULT '' AFTER value;

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

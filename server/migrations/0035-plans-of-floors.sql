-- Plans of rooms as their sensors see them, and why a setting is not what was worked out.

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

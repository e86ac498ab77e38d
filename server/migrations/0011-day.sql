-- Who works on a job, what of the house must keep its light and power, the order somebody gave the boxes, and
-- conductors that nothing is to be carried on.

CREATE TABLE IF NOT EXISTS crew (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) NOT NULL,
  reads_live BOOLEAN NOT NULL,
  at_panel BOOLEAN NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT crew_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE IF NOT EXISTS keeps (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(24) NOT NULL,
  room_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  circuit_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  minutes DOUBLE NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT keeps_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT keeps_room_id FOREIGN KEY (job_id, room_id) REFERENCES rooms (job_id, id),
  CONSTRAINT keeps_circuit_id FOREIGN KEY (job_id, circuit_id) REFERENCES circuits (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE IF NOT EXISTS turns (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  position INT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT turns_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT turns_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

ALTER TABLE conductors ADD COLUMN IF NOT EXISTS unfit BOOLEAN NOT NULL DEFAULT FALSE AFTER faded;

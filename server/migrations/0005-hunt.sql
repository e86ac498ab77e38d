-- The hunt for the breaker of a box, colours that faded, boxes that are covered, and whom a defect was handed over to.

CREATE TABLE IF NOT EXISTS breaker_tries (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  circuit_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  place_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  shows VARCHAR(24) NOT NULL,
  hinted BOOLEAN NOT NULL,
  note TEXT NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT breaker_tries_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT breaker_tries_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id),
  CONSTRAINT breaker_tries_circuit_id FOREIGN KEY (job_id, circuit_id) REFERENCES circuits (job_id, id),
  CONSTRAINT breaker_tries_place_id FOREIGN KEY (job_id, place_id) REFERENCES places (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

ALTER TABLE boxes ADD COLUMN IF NOT EXISTS hidden BOOLEAN NOT NULL DEFAULT FALSE AFTER inner_clamps;

ALTER TABLE conductors ADD COLUMN IF NOT EXISTS faded BOOLEAN NOT NULL DEFAULT FALSE AFTER metal;

ALTER TABLE defects
  ADD COLUMN IF NOT EXISTS handed_to VARCHAR(120) NOT NULL DEFAULT '' AFTER note,
  ADD COLUMN IF NOT EXISTS handed_on VARCHAR(10) NULL AFTER handed_to;

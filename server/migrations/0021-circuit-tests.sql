-- What a circuit was tested for before it is handed over; and how near water a box stands.

CREATE TABLE IF NOT EXISTS circuit_tests (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  circuit_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(32) NOT NULL,
  value DOUBLE NULL,
  shows VARCHAR(24) NULL,
  instrument VARCHAR(80) NOT NULL,
  taken_by VARCHAR(80) NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT circuit_tests_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT circuit_tests_circuit_id FOREIGN KEY (job_id, circuit_id) REFERENCES circuits (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

ALTER TABLE boxes ADD COLUMN IF NOT EXISTS location VARCHAR(24) NOT NULL DEFAULT 'not-said' AFTER surface;

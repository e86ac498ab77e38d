-- What keeps a breaker from going on, and whose it is; the smallest current that a clamp meter shows; and whether
-- anything feeds the house besides its supply.

CREATE TABLE IF NOT EXISTS locks (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  circuit_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  how VARCHAR(24) NOT NULL,
  key_with VARCHAR(80) NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT locks_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT locks_circuit_id FOREIGN KEY (job_id, circuit_id) REFERENCES circuits (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

ALTER TABLE readings ADD COLUMN IF NOT EXISTS resolution_amps DOUBLE NULL AFTER answer;
ALTER TABLE jobs ADD COLUMN IF NOT EXISTS back_feed VARCHAR(24) NOT NULL DEFAULT 'not-known' AFTER region_id;

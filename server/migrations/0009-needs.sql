-- What is wanted of a light, in as many needs as the customer has, each with its figure where it has one.

CREATE TABLE IF NOT EXISTS needs (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  group_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  need VARCHAR(24) NOT NULL,
  value DOUBLE NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT needs_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT needs_group_id FOREIGN KEY (job_id, group_id) REFERENCES `groups` (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

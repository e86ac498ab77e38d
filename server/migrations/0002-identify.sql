-- What a reading needs to mean anything to Identify, and the roles that were found from readings.

ALTER TABLE `groups` ADD COLUMN IF NOT EXISTS behaves VARCHAR(24) NOT NULL DEFAULT 'not-known' AFTER want;

ALTER TABLE readings
  ADD COLUMN IF NOT EXISTS stand VARCHAR(24) NOT NULL DEFAULT 'as-found' AFTER switch_position,
  ADD COLUMN IF NOT EXISTS to_spot VARCHAR(24) NULL AFTER stand,
  ADD COLUMN IF NOT EXISTS to_group_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL AFTER to_spot,
  ADD COLUMN IF NOT EXISTS worked_device_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL AFTER to_group_id,
  ADD COLUMN IF NOT EXISTS answer VARCHAR(24) NULL AFTER worked_device_id,
  ADD CONSTRAINT readings_to_group_id FOREIGN KEY IF NOT EXISTS (job_id, to_group_id) REFERENCES `groups` (job_id, id),
  ADD CONSTRAINT readings_worked_device_id FOREIGN KEY IF NOT EXISTS (job_id, worked_device_id) REFERENCES devices (job_id, id);

UPDATE readings SET stand = 'this-box' WHERE switch_position = 'separated';

CREATE TABLE IF NOT EXISTS findings (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  end_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  role VARCHAR(24) NOT NULL,
  proof VARCHAR(24) NOT NULL,
  basis VARCHAR(32) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT findings_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT findings_end_id FOREIGN KEY (job_id, end_id) REFERENCES ends (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

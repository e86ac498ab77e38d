-- Phones and desks that have a job open: when each was heard last, whether it rests with nothing unsent, and what was said
-- aloud of one that was not heard any more.

CREATE TABLE IF NOT EXISTS devices_here (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  `by` VARCHAR(80) NOT NULL DEFAULT '',
  heard_at DATETIME(3) NOT NULL,
  rests BOOLEAN NOT NULL DEFAULT FALSE,
  unsent BOOLEAN NOT NULL DEFAULT FALSE,
  said VARCHAR(200) NULL,
  PRIMARY KEY (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

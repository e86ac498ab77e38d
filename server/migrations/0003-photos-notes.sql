-- Photos of a box and notes pinned to a conductor. The pictures themselves stand beside the rows that name them, so
-- that a job is read without carrying them along.

CREATE TABLE IF NOT EXISTS photos (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(24) NOT NULL,
  width_pixels INT NOT NULL,
  height_pixels INT NOT NULL,
  note TEXT NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT photos_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT photos_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE IF NOT EXISTS notes (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  end_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  text TEXT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT notes_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT notes_end_id FOREIGN KEY (job_id, end_id) REFERENCES ends (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

-- No foreign key to photos: a picture is stored before the row that names it, and stays for an undo.
CREATE TABLE IF NOT EXISTS photo_files (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  picture MEDIUMBLOB NOT NULL,
  small MEDIUMBLOB NOT NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (job_id, id),
  CONSTRAINT photo_files_job FOREIGN KEY (job_id) REFERENCES jobs (id) ON DELETE CASCADE
) ENGINE = InnoDB;

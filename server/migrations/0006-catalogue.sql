-- The catalogue: devices as the company has them, and every change to them, so that each can be taken back.

CREATE TABLE IF NOT EXISTS catalogue_devices (
  id VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  model JSON NOT NULL,
  -- The model as it came with the application; null for one of the company's own.
  shipped JSON NULL,
  version INT NOT NULL DEFAULT 1,
  PRIMARY KEY (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE IF NOT EXISTS catalogue_log (
  seq BIGINT NOT NULL AUTO_INCREMENT,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(60) NOT NULL,
  undoes VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  changes JSON NOT NULL,
  applied_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (seq),
  UNIQUE KEY catalogue_log_id (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE IF NOT EXISTS catalogue_state (
  only_row TINYINT NOT NULL DEFAULT 1,
  revision INT NOT NULL DEFAULT 0,
  PRIMARY KEY (only_row)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

INSERT IGNORE INTO catalogue_state (only_row, revision) VALUES (1, 0);

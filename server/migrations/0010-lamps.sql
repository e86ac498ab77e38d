-- Figures of lamp kinds that the company reckons with instead of those that came with the application.

CREATE TABLE IF NOT EXISTS lamp_facts (
  kind VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  fact JSON NULL,
  version INT NOT NULL DEFAULT 1,
  PRIMARY KEY (kind)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

-- Which life of a job this is: its revisions count within one. What somebody had of another is none of this one.

ALTER TABLE jobs ADD COLUMN IF NOT EXISTS line CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT (UUID());

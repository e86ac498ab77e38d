-- Since when a job is put away: out of the list of those worked on, and kept as it is.

ALTER TABLE jobs ADD COLUMN IF NOT EXISTS put_away DATETIME(3) NULL;

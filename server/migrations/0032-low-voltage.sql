-- Whether a partition parts low voltage from mains in a box.

ALTER TABLE boxes ADD COLUMN IF NOT EXISTS divided VARCHAR(24) NOT NULL DEFAULT 'not-known' AFTER bonded;

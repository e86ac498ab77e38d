-- The trial by which a setting was found.

ALTER TABLE settings ADD COLUMN IF NOT EXISTS trial JSON NULL AFTER reason;

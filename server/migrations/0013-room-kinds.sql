-- What a room is for: house rules differ by it.

ALTER TABLE rooms ADD COLUMN IF NOT EXISTS kind VARCHAR(24) NOT NULL DEFAULT 'not-said' AFTER floor;

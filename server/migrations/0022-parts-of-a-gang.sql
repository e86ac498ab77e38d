-- Several controls that share one gang, on one strap or plate.

ALTER TABLE places ADD COLUMN IF NOT EXISTS part INT NOT NULL DEFAULT 1 AFTER gang;

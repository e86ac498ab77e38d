-- The rush of current that a driver takes at its start.

ALTER TABLE loads ADD COLUMN IF NOT EXISTS inrush_amperes_each DOUBLE NULL AFTER volt_amperes_each;

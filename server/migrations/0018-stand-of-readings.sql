-- Readings with the lamps of a light out of their holders, and with a device off its wires.

ALTER TABLE readings ADD COLUMN IF NOT EXISTS lamps_out_group_id VARCHAR(40) NULL AFTER worked_device_id;
ALTER TABLE readings ADD COLUMN IF NOT EXISTS off_device_id VARCHAR(40) NULL AFTER lamps_out_group_id;

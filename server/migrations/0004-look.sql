-- What Look asks beside the wiring: how much conductor is free, the plate, and a receptacle's tester.

ALTER TABLE boxes
  ADD COLUMN IF NOT EXISTS free_length_millimetres DOUBLE NULL AFTER inner_clamps,
  ADD COLUMN IF NOT EXISTS plate VARCHAR(120) NOT NULL DEFAULT '' AFTER free_length_millimetres;

ALTER TABLE devices ADD COLUMN IF NOT EXISTS tester_shows VARCHAR(24) NULL AFTER model_id;

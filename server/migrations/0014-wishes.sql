-- What somebody wants a conductor to carry, where the plan can follow.

ALTER TABLE conductors ADD COLUMN IF NOT EXISTS wish VARCHAR(24) NULL AFTER unfit;

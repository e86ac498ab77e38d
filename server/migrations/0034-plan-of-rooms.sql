-- Where a room lies on its floor, roughly, in rooms from the left and from the back.

ALTER TABLE rooms
  ADD COLUMN IF NOT EXISTS plan_column SMALLINT NULL AFTER position,
  ADD COLUMN IF NOT EXISTS plan_row SMALLINT NULL AFTER plan_column;

-- What was keyed into a clock, as its program and its place were then.

ALTER TABLE settings ADD COLUMN IF NOT EXISTS keyed JSON NULL AFTER trial;

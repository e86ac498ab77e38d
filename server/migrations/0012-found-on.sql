-- A breaker that somebody found standing so and told, whatever the plan holds.

ALTER TABLE switchings ADD COLUMN IF NOT EXISTS found_so BOOLEAN NOT NULL DEFAULT FALSE AFTER `to`;

-- Places whose control goes for good, and what is left of a light that nothing works any more.

ALTER TABLE places ADD COLUMN IF NOT EXISTS retired BOOLEAN NOT NULL DEFAULT FALSE AFTER group_id;
ALTER TABLE `groups` ADD COLUMN IF NOT EXISTS unworked VARCHAR(24) NOT NULL DEFAULT 'not-said' AFTER bypass;

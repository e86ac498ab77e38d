-- What a plate says of a load in amperes or volt-amperes, loads nobody has read, what else takes room in a box,
-- the gauge of pigtails that were found, and bypasses at luminaires.

ALTER TABLE loads MODIFY COLUMN watts_each DOUBLE NULL;
ALTER TABLE loads ADD COLUMN IF NOT EXISTS amperes_each DOUBLE NULL AFTER watts_each;
ALTER TABLE loads ADD COLUMN IF NOT EXISTS volt_amperes_each DOUBLE NULL AFTER amperes_each;
ALTER TABLE boxes ADD COLUMN IF NOT EXISTS fitting_kinds INT NOT NULL DEFAULT 0 AFTER inner_clamps;
ALTER TABLE boxes ADD COLUMN IF NOT EXISTS ring_cubic_inches DOUBLE NULL AFTER fitting_kinds;
ALTER TABLE pigtails ADD COLUMN IF NOT EXISTS gauge VARCHAR(24) NULL AFTER terminal;
ALTER TABLE `groups` ADD COLUMN IF NOT EXISTS bypass VARCHAR(24) NOT NULL DEFAULT 'none' AFTER every_place;

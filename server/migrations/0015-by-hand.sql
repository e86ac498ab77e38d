-- What a person can say of several boxes and take back: boxes without controls, lights whose places are all
-- recorded, cables pulled in, how an old device was set, figures of tests, and readings that no longer count.

ALTER TABLE boxes ADD COLUMN IF NOT EXISTS kind VARCHAR(24) NOT NULL DEFAULT 'control' AFTER name;
ALTER TABLE `groups` ADD COLUMN IF NOT EXISTS every_place VARCHAR(24) NOT NULL DEFAULT 'not-known' AFTER behaves;
ALTER TABLE devices ADD COLUMN IF NOT EXISTS set_as VARCHAR(200) NOT NULL DEFAULT '' AFTER tester_shows;
ALTER TABLE cables ADD COLUMN IF NOT EXISTS pulled BOOLEAN NOT NULL DEFAULT FALSE AFTER far_load_id;
ALTER TABLE readings ADD COLUMN IF NOT EXISTS struck VARCHAR(400) NULL AFTER answer;
ALTER TABLE readings ADD COLUMN IF NOT EXISTS corrected VARCHAR(400) NULL AFTER struck;
ALTER TABLE switchings ADD COLUMN IF NOT EXISTS struck VARCHAR(400) NULL AFTER found_so;
ALTER TABLE tests ADD COLUMN IF NOT EXISTS measured VARCHAR(60) NOT NULL DEFAULT '' AFTER outcome;

-- A cable leads to another box just where that box is named.
UPDATE cables SET far = 'box', far_entry = COALESCE(far_entry, entry) WHERE far_box_id IS NOT NULL;
UPDATE cables SET far = 'not-known', far_entry = NULL WHERE far = 'box' AND far_box_id IS NULL;

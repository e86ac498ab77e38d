-- On which phone a command was given: what somebody did himself is not what others did meanwhile.

ALTER TABLE command_log ADD COLUMN IF NOT EXISTS device VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL AFTER box_id;

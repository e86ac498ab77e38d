-- What a command asked for, in short: the same id with other content is another command, and refused.

ALTER TABLE command_log ADD COLUMN IF NOT EXISTS asked CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NULL AFTER undoes;

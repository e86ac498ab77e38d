-- Circuits that one handle throws, whatever else they share. Before, two of several poles with one neutral were such.

ALTER TABLE circuits ADD COLUMN IF NOT EXISTS handle_with_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL
  AFTER shared_neutral_with_id;
UPDATE circuits AS own
  JOIN circuits AS partner ON partner.job_id = own.job_id AND partner.id = own.shared_neutral_with_id
  SET own.handle_with_id = partner.id
  WHERE own.poles > 1 AND partner.poles > 1 AND partner.shared_neutral_with_id = own.id;

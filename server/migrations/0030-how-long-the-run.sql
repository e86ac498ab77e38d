-- How long the run is that was tested for continuity: what its conductors may have at most follows from that.

ALTER TABLE circuit_tests ADD COLUMN IF NOT EXISTS metres DOUBLE NULL AFTER shows;

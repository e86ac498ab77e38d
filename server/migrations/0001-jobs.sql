-- The whole of a job: one table a noun, one row a thing, and the log of everything done to it.
-- A row's key is the job's id and its own, so a job file can be read in again under another job.

CREATE TABLE jobs (
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(120) NOT NULL,
  address VARCHAR(200) NOT NULL,
  owners VARCHAR(120) NOT NULL,
  electrician VARCHAR(120) NOT NULL,
  apprentice VARCHAR(120) NOT NULL,
  region_id VARCHAR(24) NOT NULL,
  note TEXT NOT NULL,
  -- Counts every command; the row each command writes, so that two of them never pass each other.
  revision INT NOT NULL DEFAULT 0,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  file_extra JSON NULL,
  demo VARCHAR(40) NULL,
  created_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (id),
  UNIQUE KEY one_of_each_demo (demo)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE rooms (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) NOT NULL,
  floor VARCHAR(40) NOT NULL,
  position INT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT rooms_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

-- shared_neutral_with_id has no foreign key: a pair points at each other, and the core checks it.
CREATE TABLE circuits (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  breaker VARCHAR(12) NOT NULL,
  label VARCHAR(120) NOT NULL,
  poles INT NOT NULL,
  rated_amps DOUBLE NOT NULL,
  protection VARCHAR(24) NOT NULL,
  label_holds VARCHAR(24) NOT NULL,
  shared_neutral_with_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  note TEXT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT circuits_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE `groups` (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) NOT NULL,
  want VARCHAR(24) NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT groups_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE boxes (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  room_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) NOT NULL,
  gangs INT NOT NULL,
  material VARCHAR(24) NOT NULL,
  volume_cubic_inches DOUBLE NULL,
  volume_basis VARCHAR(24) NULL,
  depth_millimetres DOUBLE NULL,
  set_back_millimetres DOUBLE NULL,
  surface VARCHAR(24) NOT NULL,
  inner_clamps BOOLEAN NOT NULL,
  bonded VARCHAR(24) NOT NULL,
  recorded BOOLEAN NOT NULL,
  note TEXT NOT NULL,
  position INT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT boxes_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT boxes_room_id FOREIGN KEY (job_id, room_id) REFERENCES rooms (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE feeds (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  circuit_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  basis VARCHAR(24) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT feeds_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT feeds_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id),
  CONSTRAINT feeds_circuit_id FOREIGN KEY (job_id, circuit_id) REFERENCES circuits (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE places (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  gang INT NOT NULL,
  group_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT places_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT places_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id),
  CONSTRAINT places_group_id FOREIGN KEY (job_id, group_id) REFERENCES `groups` (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE devices (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  place_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  model_id VARCHAR(60) NOT NULL,
  note TEXT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT devices_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT devices_place_id FOREIGN KEY (job_id, place_id) REFERENCES places (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE loads (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  group_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) NOT NULL,
  kind VARCHAR(24) NOT NULL,
  watts_each DOUBLE NOT NULL,
  count INT NOT NULL,
  dimmable VARCHAR(24) NOT NULL,
  phase VARCHAR(24) NOT NULL,
  power_factor DOUBLE NULL,
  horsepower DOUBLE NULL,
  metal_luminaire VARCHAR(24) NOT NULL,
  long_hours BOOLEAN NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT loads_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT loads_group_id FOREIGN KEY (job_id, group_id) REFERENCES `groups` (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE cables (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(12) NOT NULL,
  sheath VARCHAR(24) NOT NULL,
  entry VARCHAR(24) NOT NULL,
  far VARCHAR(24) NOT NULL,
  far_box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  far_entry VARCHAR(24) NULL,
  far_load_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  position INT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT cables_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT cables_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id),
  CONSTRAINT cables_far_box_id FOREIGN KEY (job_id, far_box_id) REFERENCES boxes (job_id, id),
  CONSTRAINT cables_far_load_id FOREIGN KEY (job_id, far_load_id) REFERENCES loads (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE conductors (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  cable_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  insulation VARCHAR(24) NOT NULL,
  marked_as VARCHAR(24) NULL,
  gauge VARCHAR(24) NOT NULL,
  stranding VARCHAR(24) NOT NULL,
  metal VARCHAR(24) NOT NULL,
  position INT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT conductors_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT conductors_cable_id FOREIGN KEY (job_id, cable_id) REFERENCES cables (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE joints (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  connector VARCHAR(24) NOT NULL,
  bare_shows BOOLEAN NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT joints_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT joints_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE pigtails (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  joint_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  device_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  terminal VARCHAR(40) NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT pigtails_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT pigtails_joint_id FOREIGN KEY (job_id, joint_id) REFERENCES joints (job_id, id),
  CONSTRAINT pigtails_device_id FOREIGN KEY (job_id, device_id) REFERENCES devices (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE ends (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  conductor_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  seat VARCHAR(24) NOT NULL,
  device_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  terminal VARCHAR(40) NULL,
  joint_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  role VARCHAR(24) NULL,
  role_circuit_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  role_group_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  seen_at_sheath BOOLEAN NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT ends_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT ends_conductor_id FOREIGN KEY (job_id, conductor_id) REFERENCES conductors (job_id, id),
  CONSTRAINT ends_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id),
  CONSTRAINT ends_device_id FOREIGN KEY (job_id, device_id) REFERENCES devices (job_id, id),
  CONSTRAINT ends_joint_id FOREIGN KEY (job_id, joint_id) REFERENCES joints (job_id, id),
  CONSTRAINT ends_role_circuit_id FOREIGN KEY (job_id, role_circuit_id) REFERENCES circuits (job_id, id),
  CONSTRAINT ends_role_group_id FOREIGN KEY (job_id, role_group_id) REFERENCES `groups` (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE readings (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  purpose VARCHAR(24) NOT NULL,
  instrument VARCHAR(24) NOT NULL,
  from_end_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  to_end_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  reference VARCHAR(80) NULL,
  value DOUBLE NOT NULL,
  breaker VARCHAR(24) NOT NULL,
  switch_position VARCHAR(24) NOT NULL,
  note TEXT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT readings_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT readings_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id),
  CONSTRAINT readings_from_end_id FOREIGN KEY (job_id, from_end_id) REFERENCES ends (job_id, id),
  CONSTRAINT readings_to_end_id FOREIGN KEY (job_id, to_end_id) REFERENCES ends (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE claims (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  end_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  reading_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT claims_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT claims_end_id FOREIGN KEY (job_id, end_id) REFERENCES ends (job_id, id),
  CONSTRAINT claims_reading_id FOREIGN KEY (job_id, reading_id) REFERENCES readings (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE switchings (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  circuit_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  `to` VARCHAR(24) NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT switchings_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT switchings_circuit_id FOREIGN KEY (job_id, circuit_id) REFERENCES circuits (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE defects (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  rule_id VARCHAR(120) NULL,
  severity VARCHAR(24) NOT NULL,
  what VARCHAR(400) NOT NULL,
  state VARCHAR(24) NOT NULL,
  note TEXT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT defects_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT defects_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE choices (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  place_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  model_id VARCHAR(60) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT choices_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT choices_place_id FOREIGN KEY (job_id, place_id) REFERENCES places (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE steps (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  step_key VARCHAR(120) NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  note TEXT NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT steps_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT steps_box_id FOREIGN KEY (job_id, box_id) REFERENCES boxes (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE settings (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  place_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  setting_id VARCHAR(60) NOT NULL,
  value VARCHAR(60) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT settings_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT settings_place_id FOREIGN KEY (job_id, place_id) REFERENCES places (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE tests (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  place_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  test_key VARCHAR(80) NOT NULL,
  outcome VARCHAR(24) NOT NULL,
  note TEXT NOT NULL,
  seq INT NOT NULL,
  at DATETIME(3) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT tests_job FOREIGN KEY (job_id) REFERENCES jobs (id),
  CONSTRAINT tests_place_id FOREIGN KEY (job_id, place_id) REFERENCES places (job_id, id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

CREATE TABLE house_rules (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  rule_id VARCHAR(60) NOT NULL,
  value VARCHAR(60) NOT NULL,
  version INT NOT NULL DEFAULT 1,
  extra JSON NULL,
  PRIMARY KEY (job_id, id),
  CONSTRAINT house_rules_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

-- Every write, once: the changes of rows it made are its history and what undo turns round.
CREATE TABLE command_log (
  job_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  revision INT NOT NULL,
  name VARCHAR(40) NOT NULL,
  box_id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  undoes VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NULL,
  changes LONGTEXT NOT NULL,
  applied_at DATETIME(3) NOT NULL,
  PRIMARY KEY (job_id, id),
  UNIQUE KEY in_order (job_id, revision),
  UNIQUE KEY undone_once (job_id, undoes),
  CONSTRAINT command_log_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

-- Demo jobs that were loaded once: one that a person removed does not come back by itself.
CREATE TABLE demos_loaded (
  name VARCHAR(40) NOT NULL,
  PRIMARY KEY (name)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_bin;

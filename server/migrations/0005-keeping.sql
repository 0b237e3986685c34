-- What a collection is kept with: its numbering, its can, its waters and feeds.
ALTER TABLE collection
  ADD number_scheme VARCHAR(40) NOT NULL DEFAULT '{year}-{n:3}' COMMENT 'how the next accession number is made',
  ADD can_ml INT UNSIGNED NOT NULL DEFAULT 5000,
  ADD pulse BIGINT UNSIGNED NOT NULL DEFAULT 1 COMMENT 'counts changes of any plant or its journal: what tells servers that something is new',
  ADD has_pets BOOLEAN NOT NULL DEFAULT FALSE,
  ADD has_children BOOLEAN NOT NULL DEFAULT FALSE,
  ADD CONSTRAINT collection_can CHECK (can_ml BETWEEN 100 AND 200000);

CREATE TABLE water_source (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  name VARCHAR(120) NOT NULL,
  kind ENUM('rain', 'soft', 'hard', 'softened', 'filtered', 'distilled') NOT NULL,
  hardness_dh DECIMAL(4,1) NULL,
  salts_mg_l SMALLINT UNSIGNED NULL,
  liked_order INT NOT NULL DEFAULT 0,
  CONSTRAINT water_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT water_hardness CHECK (hardness_dh IS NULL OR hardness_dh BETWEEN 0 AND 100),
  CONSTRAINT water_salts CHECK (salts_mg_l IS NULL OR salts_mg_l <= 5000)
) ENGINE=InnoDB;

CREATE TABLE feed_product (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  name VARCHAR(120) NOT NULL,
  kind ENUM('liquid', 'grain', 'slow', 'organic', 'compost') NOT NULL,
  n_pct DECIMAL(4,1) NOT NULL,
  p_pct DECIMAL(4,1) NOT NULL,
  k_pct DECIMAL(4,1) NOT NULL,
  unit ENUM('ml', 'g') NOT NULL,
  per_litre DECIMAL(6,2) NOT NULL COMMENT 'the label''s dose for a litre of water',
  CONSTRAINT feed_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT feed_shares CHECK (n_pct BETWEEN 0 AND 60 AND p_pct BETWEEN 0 AND 60 AND k_pct BETWEEN 0 AND 60),
  CONSTRAINT feed_dose CHECK (per_litre > 0 AND per_litre <= 200)
) ENGINE=InnoDB;

-- A list of plants brought in at once from a file can be taken back at once.
CREATE TABLE import_batch (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  name VARCHAR(200) NOT NULL,
  plants INT UNSIGNED NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  undone_at DATETIME(3) NULL,
  CONSTRAINT batch_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id)
) ENGINE=InnoDB;

ALTER TABLE plant
  ADD name_sure ENUM('sure', 'likely', 'unknown') NOT NULL DEFAULT 'sure',
  ADD other_names VARCHAR(500) NULL,
  ADD acquired_on DATE NULL,
  ADD source ENUM('nursery', 'swap', 'seed', 'cutting', 'gift', 'found', 'other') NULL,
  ADD price_minor INT UNSIGNED NULL,
  ADD price_currency CHAR(3) CHARACTER SET ascii NULL,
  ADD mother_id INT UNSIGNED NULL,
  ADD companions VARCHAR(300) NULL COMMENT 'others in the same pot',
  ADD used_to VARCHAR(300) NULL COMMENT 'how it was kept before: mix, wetness, light',
  ADD quarantine_until DATE NULL,
  ADD own_rules JSON NOT NULL DEFAULT '{}' COMMENT 'rules of care that the keeper set in place of the usual ones',
  ADD own_reasons JSON NOT NULL DEFAULT '{}' COMMENT 'why, by rule',
  ADD own_words VARCHAR(500) NULL COMMENT 'a rule of the keeper''s in words, shown with every task',
  ADD ended ENUM('died', 'given') NULL,
  ADD ended_on DATE NULL,
  ADD ended_why VARCHAR(500) NULL,
  ADD import_id INT UNSIGNED NULL,
  ADD pulse BIGINT UNSIGNED NOT NULL DEFAULT 1 COMMENT 'the collection''s pulse at the plant''s last change',
  ADD KEY plant_by_pulse (pulse),
  ADD CONSTRAINT plant_mother FOREIGN KEY (mother_id) REFERENCES plant (id),
  ADD CONSTRAINT plant_import FOREIGN KEY (import_id) REFERENCES import_batch (id),
  ADD CONSTRAINT plant_price_whole CHECK ((price_minor IS NULL) = (price_currency IS NULL)),
  ADD CONSTRAINT plant_ended_whole CHECK ((ended IS NULL) = (ended_on IS NULL));

ALTER TABLE place
  ADD width_mm SMALLINT UNSIGNED NULL,
  ADD depth_mm SMALLINT UNSIGNED NULL,
  ADD obstruction_deg DECIMAL(3,1) NULL COMMENT 'what hides the sky up to this height',
  ADD direct_sun_h DECIMAL(3,1) NULL COMMENT 'the keeper''s own count, in place of the estimate',
  ADD quarantine BOOLEAN NOT NULL DEFAULT FALSE,
  ADD hazards VARCHAR(300) NULL,
  ADD within_reach BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'of children and pets',
  ADD CONSTRAINT place_bench CHECK ((width_mm IS NULL) = (depth_mm IS NULL)),
  ADD CONSTRAINT place_sun CHECK (direct_sun_h IS NULL OR direct_sun_h BETWEEN 0 AND 24),
  ADD CONSTRAINT place_obstruction CHECK (obstruction_deg IS NULL OR obstruction_deg BETWEEN 0 AND 80);

ALTER TABLE journal
  MODIFY type ENUM('watering', 'check', 'weights', 'sign', 'repotting', 'move', 'feeding', 'state', 'note',
    'skip', 'measure', 'flowering', 'drain', 'sun', 'review', 'firmed', 'arrival', 'picture', 'ended') NOT NULL;
ALTER TABLE journal ADD KEY journal_by_day (collection_id, day, plant_id);

-- Something to do some minutes or days after a mark. It survives a reload, since it stands here.
CREATE TABLE timer (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  plant_id INT UNSIGNED NOT NULL,
  client_id CHAR(36) CHARACTER SET ascii NOT NULL COMMENT 'the mark it belongs to',
  kind ENUM('saucer', 'lift', 'fan', 'firm', 'review') NOT NULL,
  words VARCHAR(300) NOT NULL,
  due_at DATETIME(3) NOT NULL,
  done_at DATETIME(3) NULL,
  UNIQUE KEY timer_once (client_id, kind),
  KEY timer_open (collection_id, done_at, due_at),
  CONSTRAINT timer_of_plant FOREIGN KEY (plant_id) REFERENCES plant (id)
) ENGINE=InnoDB;

-- From shade to sun day by day.
CREATE TABLE hardening (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  plant_id INT UNSIGNED NOT NULL,
  steps JSON NOT NULL COMMENT 'date and minutes of direct sun, a row a day',
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  ended_at DATETIME(3) NULL,
  KEY hardening_open (plant_id, ended_at),
  CONSTRAINT hardening_of_plant FOREIGN KEY (plant_id) REFERENCES plant (id)
) ENGINE=InnoDB;

CREATE TABLE picture (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  plant_id INT UNSIGNED NOT NULL,
  day DATE NOT NULL,
  caption VARCHAR(300) NULL,
  width_px SMALLINT UNSIGNED NOT NULL,
  height_px SMALLINT UNSIGNED NOT NULL,
  large MEDIUMBLOB NOT NULL,
  small MEDIUMBLOB NOT NULL,
  removed_at DATETIME(3) NULL,
  KEY picture_of_plant_by_day (plant_id, day),
  CONSTRAINT picture_of_plant FOREIGN KEY (plant_id) REFERENCES plant (id)
) ENGINE=InnoDB;

CREATE TABLE saved_view (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  name VARCHAR(80) NOT NULL,
  spec JSON NOT NULL,
  UNIQUE KEY view_name (collection_id, name),
  CONSTRAINT view_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id)
) ENGINE=InnoDB;

-- An address under which a calendar may be read. Only the token's hash is kept.
CREATE TABLE calendar_token (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  name VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  revoked_at DATETIME(3) NULL,
  UNIQUE KEY calendar_token_hash (token_hash),
  CONSTRAINT token_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id)
) ENGINE=InnoDB;

-- What a garden file says is kept to the last digit, so that what goes out is what came in.
ALTER TABLE site
  MODIFY latitude_deg DOUBLE NOT NULL, MODIFY longitude_deg DOUBLE NOT NULL, MODIFY elevation_m DOUBLE NOT NULL,
  ADD as_of DATE NULL COMMENT 'the day of the garden file it came from, as long as nothing was changed since',
  ADD as_of_stamp VARCHAR(60) CHARACTER SET ascii NULL;
ALTER TABLE weather_day
  MODIFY tmin_c DOUBLE NOT NULL, MODIFY tmax_c DOUBLE NOT NULL, MODIFY rh_pct DOUBLE NOT NULL, MODIFY sunshine_h DOUBLE NOT NULL, MODIFY rain_mm DOUBLE NOT NULL, MODIFY wind_m_s DOUBLE NOT NULL;
ALTER TABLE thermometer_reading MODIFY tmin_c DOUBLE NOT NULL, MODIFY tmax_c DOUBLE NOT NULL, MODIFY rh_pct DOUBLE NULL;
ALTER TABLE place
  MODIFY aspect_deg DOUBLE NULL, MODIFY light_fraction DOUBLE NULL, MODIFY floor_c DOUBLE NULL, MODIFY vent_c DOUBLE NULL, MODIFY lamp_ppfd_umol_m2_s DOUBLE NULL, MODIFY lamp_hours DOUBLE NULL;
ALTER TABLE component
  MODIFY total_porosity DOUBLE NOT NULL, MODIFY water_at_10cm DOUBLE NOT NULL, MODIFY water_air_dry DOUBLE NOT NULL, MODIFY bulk_density_g_ml DOUBLE NOT NULL, MODIFY ph DOUBLE NULL, MODIFY ref VARCHAR(220) NOT NULL;
ALTER TABLE mix MODIFY ref VARCHAR(220) NOT NULL COMMENT 'its id in garden files', MODIFY name VARCHAR(220) NOT NULL;
ALTER TABLE mix_part MODIFY component_ref VARCHAR(220) NOT NULL, MODIFY parts DOUBLE NOT NULL;
ALTER TABLE mix_part DROP CONSTRAINT part_positive;
ALTER TABLE mix_part ADD CONSTRAINT part_not_negative CHECK (parts >= 0);
ALTER TABLE place MODIFY ref VARCHAR(220) NOT NULL COMMENT 'its id in garden files', MODIFY name VARCHAR(220) NOT NULL;
ALTER TABLE plant
  MODIFY ref VARCHAR(220) NOT NULL COMMENT 'its id in garden files', MODIFY diameter_mm DOUBLE NOT NULL, MODIFY height_mm DOUBLE NOT NULL, MODIFY hold_days DOUBLE NULL,
  MODIFY min_dry_c DOUBLE NULL, MODIFY min_wet_c DOUBLE NULL, MODIFY grow_min_c DOUBLE NULL,
  ADD named BOOLEAN NOT NULL DEFAULT TRUE COMMENT 'false where a garden file gave it no name';
ALTER TABLE potting
  MODIFY top_mm DOUBLE NOT NULL, MODIFY base_mm DOUBLE NOT NULL, MODIFY depth_mm DOUBLE NOT NULL, MODIFY wall_mm DOUBLE NULL, MODIFY top_dressing_mm DOUBLE NOT NULL DEFAULT 0, MODIFY root_loss DOUBLE NULL;

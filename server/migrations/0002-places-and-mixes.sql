CREATE TABLE place (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  site_id INT UNSIGNED NOT NULL,
  ref VARCHAR(200) NOT NULL COMMENT 'its id in garden files',
  name VARCHAR(120) NOT NULL,
  walk_order INT NOT NULL DEFAULT 0,
  kind ENUM('open', 'covered', 'cold-glass', 'heated-glass', 'windowsill', 'room', 'lamp-shelf') NOT NULL,
  aspect_deg DECIMAL(4,1) NULL,
  light_fraction DECIMAL(4,3) NULL,
  floor_c DECIMAL(3,1) NULL,
  vent_c DECIMAL(3,1) NULL,
  indoor_c JSON NULL COMMENT 'twelve monthly means',
  air ENUM('still', 'gentle', 'breezy') NOT NULL,
  lamp_ppfd_umol_m2_s SMALLINT UNSIGNED NULL,
  lamp_hours DECIMAL(3,1) NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY place_ref (collection_id, ref),
  CONSTRAINT place_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT place_of_site FOREIGN KEY (site_id) REFERENCES site (id),
  CONSTRAINT place_aspect CHECK (aspect_deg IS NULL OR aspect_deg BETWEEN 0 AND 360),
  CONSTRAINT place_light CHECK (light_fraction IS NULL OR light_fraction BETWEEN 0 AND 1),
  CONSTRAINT place_lamp_whole CHECK ((lamp_ppfd_umol_m2_s IS NULL) = (lamp_hours IS NULL)),
  CONSTRAINT place_lamp CHECK (lamp_hours IS NULL OR (lamp_hours BETWEEN 0 AND 24 AND lamp_ppfd_umol_m2_s <= 3000))
) ENGINE=InnoDB;

-- What a minimum-maximum thermometer among the plants read.
CREATE TABLE thermometer_reading (
  place_id INT UNSIGNED NOT NULL,
  day DATE NOT NULL,
  tmin_c DECIMAL(4,1) NOT NULL,
  tmax_c DECIMAL(4,1) NOT NULL,
  rh_pct DECIMAL(4,1) NULL,
  PRIMARY KEY (place_id, day),
  CONSTRAINT reading_of_place FOREIGN KEY (place_id) REFERENCES place (id),
  CONSTRAINT reading_low_to_high CHECK (tmin_c <= tmax_c AND tmin_c >= -60 AND tmax_c <= 80),
  CONSTRAINT reading_humidity CHECK (rh_pct IS NULL OR rh_pct BETWEEN 0 AND 100)
) ENGINE=InnoDB;

-- Only what a keeper adds; the usual components are built in.
CREATE TABLE component (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  ref VARCHAR(100) NOT NULL,
  total_porosity DECIMAL(4,3) NOT NULL,
  water_at_10cm DECIMAL(4,3) NOT NULL,
  water_air_dry DECIMAL(4,3) NOT NULL,
  bulk_density_g_ml DECIMAL(4,3) NOT NULL,
  ph DECIMAL(3,1) NULL,
  UNIQUE KEY component_ref (collection_id, ref),
  CONSTRAINT component_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT component_water CHECK (0 <= water_air_dry AND water_air_dry < water_at_10cm AND water_at_10cm < total_porosity AND total_porosity < 1),
  CONSTRAINT component_weight CHECK (bulk_density_g_ml > 0)
) ENGINE=InnoDB;

CREATE TABLE mix (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  ref VARCHAR(200) NOT NULL COMMENT 'its id in garden files',
  name VARCHAR(120) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY mix_ref (collection_id, ref),
  CONSTRAINT mix_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id)
) ENGINE=InnoDB;

CREATE TABLE mix_part (
  mix_id INT UNSIGNED NOT NULL,
  position TINYINT UNSIGNED NOT NULL,
  component_ref VARCHAR(100) NOT NULL COMMENT 'a built-in component or one of the collection',
  parts DECIMAL(7,3) NOT NULL,
  PRIMARY KEY (mix_id, position),
  CONSTRAINT part_of_mix FOREIGN KEY (mix_id) REFERENCES mix (id) ON DELETE CASCADE,
  CONSTRAINT part_positive CHECK (parts > 0)
) ENGINE=InnoDB;

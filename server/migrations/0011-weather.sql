-- Where a day of weather came from, and for a forecast the day on which it was made.
ALTER TABLE weather_day
  ADD origin ENUM('file', 'service', 'table') NOT NULL DEFAULT 'file' COMMENT 'a garden file, the weather service, a table of daily records',
  ADD issued DATE NULL COMMENT 'of a forecast: the site''s day on which it was made';

-- How the weather service is being asked for a site: servers on one database take turns by next_at.
CREATE TABLE weather_watch (
  site_id INT UNSIGNED NOT NULL PRIMARY KEY,
  next_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  answered_at DATETIME(3) NULL,
  made_at DATETIME(3) NULL COMMENT 'when the service made what it last answered',
  failed_since DATETIME(3) NULL,
  failures INT UNSIGNED NOT NULL DEFAULT 0,
  failure VARCHAR(300) NULL,
  CONSTRAINT watch_of_site FOREIGN KEY (site_id) REFERENCES site (id)
) ENGINE=InnoDB;

-- Rain counts as water where it reaches the pots, from this depth a day on.
ALTER TABLE place
  ADD hazard_kinds SET('draught', 'air-conditioning', 'cold-pane', 'splashes') NOT NULL DEFAULT '' COMMENT 'what may harm there',
  ADD lamp_by_hand BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'nobody but the keeper turns its lamp on and off',
  ADD rain_counts_mm DOUBLE NULL COMMENT 'a day''s rain below this wets no pot; null: all of it counts',
  ADD CONSTRAINT place_rain CHECK (rain_counts_mm IS NULL OR rain_counts_mm BETWEEN 0 AND 100);

-- Instruments among the plants, which bring their readings themselves. Only the token's hash is kept.
CREATE TABLE device (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  collection_id INT UNSIGNED NOT NULL,
  name VARCHAR(80) NOT NULL,
  kind ENUM('thermometer', 'probe', 'scale') NOT NULL,
  place_id INT UNSIGNED NULL COMMENT 'of a thermometer',
  plant_id INT UNSIGNED NULL COMMENT 'of a probe or a scale',
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  revoked_at DATETIME(3) NULL,
  UNIQUE KEY device_token_hash (token_hash),
  CONSTRAINT device_of_collection FOREIGN KEY (collection_id) REFERENCES collection (id),
  CONSTRAINT device_at_place FOREIGN KEY (place_id) REFERENCES place (id),
  CONSTRAINT device_in_pot FOREIGN KEY (plant_id) REFERENCES plant (id),
  CONSTRAINT device_stands_somewhere CHECK ((kind = 'thermometer') = (place_id IS NOT NULL) AND (kind <> 'thermometer') = (plant_id IS NOT NULL))
) ENGINE=InnoDB;

-- What instruments said, as they said it; what is not believed bears the reason.
CREATE TABLE device_reading (
  device_id INT UNSIGNED NOT NULL,
  at DATETIME(3) NOT NULL,
  value DOUBLE NOT NULL COMMENT '°C, 1 to 10, or g',
  rh_pct DOUBLE NULL,
  doubt ENUM('out-of-range', 'jump', 'stuck', 'clock') NULL,
  PRIMARY KEY (device_id, at),
  CONSTRAINT reading_of_device FOREIGN KEY (device_id) REFERENCES device (id)
) ENGINE=InnoDB;

ALTER TABLE thermometer_reading
  ADD device_id INT UNSIGNED NULL COMMENT 'the instrument that brought it; null: a keeper read it, and that stands',
  ADD CONSTRAINT thermometer_by_device FOREIGN KEY (device_id) REFERENCES device (id);
